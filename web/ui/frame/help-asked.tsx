import { lazy, Suspense, useEffect, useState } from "react";
import type { Help } from "../../help/help";
import { ASK_HELP } from "./ask-help";

/** Loaded once somebody asks for it. */
const HelpDialog = lazy(() => import("./help-dialog"));

/** What this view is for and the keys that work here, on "?". */
export function HelpAsked({ help }: { help: Help }) {
	const [asked, setAsked] = useState(0);
	useEffect(() => {
		const open = () => setAsked((times) => times + 1);
		addEventListener(ASK_HELP, open);
		return () => removeEventListener(ASK_HELP, open);
	}, []);
	if (asked === 0) return null;
	return (
		<Suspense>
			<HelpDialog help={help} asked={asked} />
		</Suspense>
	);
}
