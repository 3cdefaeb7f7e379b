import { useEffect, useState } from "react";

const SEEN = "zephyr-seen";

/** Views that this browser has shown before. */
function seen(): readonly string[] {
	try {
		return JSON.parse(localStorage.getItem(SEEN) ?? "[]");
	} catch {
		return [];
	}
}

/** At a browser's first visit: the one thing to do here next. Not said again. */
export function FirstVisit({ view, first }: { view: string; first: string }) {
	const [isFirst, setFirst] = useState(false);
	useEffect(() => {
		const before = seen();
		if (before.includes(view)) return;
		setFirst(true);
		try {
			localStorage.setItem(SEEN, JSON.stringify([...before, view]));
		} catch {
			// A browser that keeps nothing says it again.
		}
	}, [view]);
	if (!isFirst) return null;
	return (
		<p role="note" className="no-print flex h-9 items-center gap-3 bg-pick px-6 text-secondary max-lg:h-11">
			<span>
				<b className="font-bold">First time here?</b> {first} Press <kbd className="kbd kbd-sm">?</kbd> for more.
			</span>
			<button
				type="button"
				className="btn btn-ghost btn-sm ml-auto h-8 min-h-0 max-lg:h-11"
				onClick={() => setFirst(false)}
			>
				Got it
			</button>
		</p>
	);
}
