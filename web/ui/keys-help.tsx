import { useEffect, useRef } from "react";
import { STATION_WORDS } from "./rail";

/** The keys that work here, on "?". */
export function KeysHelp() {
	const dialog = useRef<HTMLDialogElement>(null);
	useEffect(() => {
		const open = () => dialog.current?.showModal();
		addEventListener("zephyr-keys", open);
		return () => removeEventListener("zephyr-keys", open);
	}, []);
	const rows = [
		...Object.values(STATION_WORDS).map((word, i) => [String(i + 1), word]),
		["0", "Today"],
		["/", "find anything"],
		["scan", "a piece’s label anywhere: its page"],
		["?", "this list"],
	];
	return (
		<dialog ref={dialog} className="modal" aria-label="Keys">
			<div className="modal-box max-w-sm">
				<h2 className="mb-2 text-base">Keys</h2>
				<dl className="grid grid-cols-[4rem_1fr] gap-y-1.5">
					{rows.map(([key, what]) => (
						<div key={key} className="contents">
							<dt>
								<kbd className="kbd kbd-sm">{key}</kbd>
							</dt>
							<dd>{what}</dd>
						</div>
					))}
				</dl>
				<form method="dialog" className="mt-4 text-right">
					<button type="submit" className="btn btn-sm">
						Close
					</button>
				</form>
			</div>
			<form method="dialog" className="modal-backdrop">
				<button type="submit">close</button>
			</form>
		</dialog>
	);
}
