import { useEffect, useRef } from "react";
import type { KeyRow } from "./keys-help";
import { STATION_WORDS } from "./rail";

/** The keys that work here: this station's first, then those of the frame. @param asked opened anew whenever it changes */
export default function KeysDialog({ station, asked }: { station: readonly KeyRow[]; asked: number }) {
	const dialog = useRef<HTMLDialogElement>(null);
	// biome-ignore lint/correctness/useExhaustiveDependencies: asked again, it is opened again
	useEffect(() => {
		if (!dialog.current?.open) dialog.current?.showModal();
	}, [asked]);
	const rows: readonly KeyRow[] = [
		...station,
		...Object.values(STATION_WORDS).map((word, i): KeyRow => [String(i + 1), word]),
		["0", "Today"],
		["/", "find anything"],
		["scan", "a piece’s label anywhere: its page"],
		["?", "this list"],
	];
	return (
		<dialog ref={dialog} className="modal" aria-label="Keys">
			<div className="modal-box max-w-md">
				<h2 className="mb-2 text-base">Keys</h2>
				<dl className="grid grid-cols-[9rem_1fr] gap-y-1.5">
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
