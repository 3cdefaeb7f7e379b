import { lazy, Suspense, useEffect, useState } from "react";

/** A key and what it does. */
export type KeyRow = readonly [key: string, what: string];

/** Loaded once somebody asks for it. */
const KeysDialog = lazy(() => import("./keys-dialog"));

/** The keys that work here, on "?". */
export function KeysHelp({ station }: { station: readonly KeyRow[] }) {
	const [asked, setAsked] = useState(0);
	useEffect(() => {
		const open = () => setAsked((times) => times + 1);
		addEventListener("zephyr-keys", open);
		return () => removeEventListener("zephyr-keys", open);
	}, []);
	if (asked === 0) return null;
	return (
		<Suspense>
			<KeysDialog station={station} asked={asked} />
		</Suspense>
	);
}
