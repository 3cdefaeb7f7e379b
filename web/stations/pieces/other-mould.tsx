import type { PieceView } from "@contract/pieces";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";

const TROUBLE = { putAway: "put away", bare: "bare, wash it first", tooSmall: "too small" } as const;

/** A waiting piece that is fired on a mould, and the others that would serve: what keeps it off one is said. */
export function OtherMould({ piece, moulds }: { piece: PieceView["piece"]; moulds: NonNullable<PieceView["moulds"]> }) {
	const figure = useFigure();
	const choose = useAct("chooseMould");
	const now = piece.route[piece.step]?.mouldId ?? "";
	const trouble = moulds.find(({ id }) => id === now)?.trouble;
	return (
		<section aria-label="Mould" className="mt-4">
			{trouble && (
				<p className="mb-2 border-l-4 border-warning px-3 py-1 font-semibold">
					It cannot be fired on its mould, which is {TROUBLE[trouble]}.
				</p>
			)}
			<label className="flex flex-col gap-1">
				<span className="font-semibold">Fired on</span>
				<select
					className="select w-full"
					value={now}
					disabled={choose.isPending}
					onChange={({ target }) =>
						choose.send((id) => ({ pieceId: piece.id, eventId: id(), seq: piece.seq, mouldId: target.value }))
					}
				>
					{!moulds.some(({ id }) => id === now) && <option value={now}>one that is no longer in the book</option>}
					{moulds.map(({ id, name, trouble: its, shortMm }) => (
						<option key={id} value={id} disabled={id !== now && (its === "tooSmall" || its === "putAway")}>
							{name}
							{its ? `: ${TROUBLE[its]}` : shortMm > 0 ? `: ${figure({ mm: shortMm })} larger than the piece` : ""}
						</option>
					))}
				</select>
			</label>
			<Trouble error={choose.error} />
		</section>
	);
}
