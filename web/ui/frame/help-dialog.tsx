import { useEffect, useRef } from "react";
import type { Help, KeyRow } from "../../help/help";
import { STATION_WORDS } from "./rail";

const FRAME_KEYS: readonly KeyRow[] = [
	["1 to 8", Object.values(STATION_WORDS).join(", ")],
	["0", "Today"],
	["/", "find anything"],
	["scan", "a piece’s label anywhere: its page"],
	["?", "this help"],
];

/** What this view is for, its own keys, then those that work everywhere. @param asked opened anew whenever it changes */
export default function HelpDialog({ help, asked }: { help: Help; asked: number }) {
	const dialog = useRef<HTMLDialogElement>(null);
	// biome-ignore lint/correctness/useExhaustiveDependencies: asked again, it is opened again
	useEffect(() => {
		if (!dialog.current?.open) dialog.current?.showModal();
	}, [asked]);
	return (
		<dialog ref={dialog} className="modal" aria-label="Help">
			<div className="modal-box max-w-lg">
				{help.lines.map((line) => (
					<p key={line} className="mb-1">
						{line}
					</p>
				))}
				{help.keys && <Keys title="Keys here" rows={help.keys} />}
				<Keys title="Keys everywhere" rows={FRAME_KEYS} />
				<form method="dialog" className="mt-4 text-right">
					<button type="submit" className="btn btn-sm max-lg:h-11">
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

const Keys = ({ title, rows }: { title: string; rows: readonly KeyRow[] }) => (
	<section className="mt-4">
		<h2 className="mb-1 text-base">{title}</h2>
		<dl className="grid grid-cols-[11rem_1fr] gap-y-1.5">
			{rows.map(([key, what]) => (
				<div key={key} className="contents">
					<dt>
						<kbd className="kbd kbd-sm">{key}</kbd>
					</dt>
					<dd>{what}</dd>
				</div>
			))}
		</dl>
	</section>
);
