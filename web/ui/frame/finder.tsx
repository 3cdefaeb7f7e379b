import { Search } from "lucide-react";
import { lazy, Suspense, useEffect, useRef, useState } from "react";

/** Loaded when somebody looks for something: no page waits for it. */
const FinderBox = lazy(() => import("./finder-box"));

/** Finds anything by a few letters. */
export function Finder() {
	const dialog = useRef<HTMLDialogElement>(null);
	/** Counts the times it was opened: each begins anew. */
	const [times, setTimes] = useState(0);
	useEffect(() => {
		const open = () => {
			setTimes((before) => before + 1);
			dialog.current?.showModal();
		};
		addEventListener("zephyr-find", open);
		return () => removeEventListener("zephyr-find", open);
	}, []);
	return (
		<>
			<button
				type="button"
				className="btn btn-ghost btn-sm gap-1 px-1.5 font-normal"
				aria-keyshortcuts="/"
				onClick={() => dispatchEvent(new Event("zephyr-find"))}
			>
				<Search size={18} aria-hidden="true" />
				<span className="max-2xl:sr-only">find or scan</span>
				<kbd className="kbd kbd-sm max-2xl:hidden">/</kbd>
			</button>
			<dialog ref={dialog} className="modal" aria-label="Find anything">
				<div className="modal-box mb-auto mt-24 max-w-xl p-4">
					<Suspense fallback={<p className="text-soft">One moment …</p>}>
						{times > 0 && <FinderBox key={times} />}
					</Suspense>
				</div>
				<form method="dialog" className="modal-backdrop">
					<button type="submit">close</button>
				</form>
			</dialog>
		</>
	);
}
