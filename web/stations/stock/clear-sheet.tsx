import type { CutPlanRow } from "@contract/cutting";
import type { Rest } from "@core/cutting/plan/figures";
import { restsToKeep } from "@core/cutting/plan/rests-to-keep";
import { useState } from "react";
import { Check } from "../../forms/check";
import { TextField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { sizeWords } from "../../ui/size-words";

interface Props {
	row: CutPlanRow;
	/** Which sheet of the plan. */
	at: number;
	/** Parts cut of a blank by its key, those that broke with them. */
	usedOf(key: string): number;
	onDone(): void;
}

/** The sheet is cut: what is left of it goes onto the rack as offcuts, with a mark each, or into the bin. */
export function ClearSheet({ row, at, usedOf, onDone }: Props) {
	const sheet = row.plan.sheets[at];
	const rests = restsToKeep(row.plan, at, usedOf);
	if (sheet && !sheet.cleared && rests)
		// What can be kept changes once somebody cuts on: the marks begin anew.
		return <KeepRests key={rests.length} row={row} at={at} rests={rests} onDone={onDone} />;
	return (
		<p className="text-2xl font-bold text-success">
			{sheet && !sheet.cleared
				? "Cut so far: the plan goes on with what is left of it."
				: "This sheet is cut and cleared away."}
		</p>
	);
}

/** Which of a sheet's rests are kept, with a mark each, and where they are put. */
function KeepRests({ row, at, rests, onDone }: Omit<Props, "usedOf"> & { rests: readonly Rest[] }) {
	const figure = useFigure();
	const [place, setPlace] = useState("");
	const [marks, setMarks] = useState<ReadonlyMap<number, string>>(() => new Map(rests.map((_, i) => [i, ""])));
	const [ids] = useState(() => rests.map(() => crypto.randomUUID()));
	const clear = useAct("clearSheet", onDone);
	const keep = (i: number, mark: string | undefined) => {
		const next = new Map(marks);
		if (mark === undefined) next.delete(i);
		else next.set(i, mark);
		setMarks(next);
	};
	return (
		<form
			className="flex flex-col gap-3"
			onSubmit={(event) => {
				event.preventDefault();
				clear.mutate({
					planId: row.id,
					revision: row.revision,
					sheet: at,
					place,
					keep: [...marks].map(([rest, name]) => ({ itemId: ids[rest] ?? "", rest, name })),
				});
			}}
		>
			<p className="text-2xl font-bold text-success">This sheet is cut.</p>
			{rests.length > 0 ? (
				<>
					<p className="text-soft">What is left of it, for the rack:</p>
					<ul className="ruled">
						{rests.map(({ xMm, yMm, widthMm, heightMm }, i) => {
							const size = sizeWords([widthMm, heightMm], figure);
							return (
								<li key={`${xMm} ${yMm}`} className="grid grid-cols-[1fr_110px] items-center gap-3 py-1.5">
									<Check
										label={`keep ${size}`}
										checked={marks.has(i)}
										onChange={(kept) => keep(i, kept ? "" : undefined)}
									/>
									{marks.has(i) && (
										<TextField
											compact
											quiet
											placeholder="its mark"
											label={`Mark on ${size}`}
											value={marks.get(i) ?? ""}
											onChange={(mark) => keep(i, mark)}
										/>
									)}
								</li>
							);
						})}
					</ul>
					<TextField label="Where they are put" value={place} onChange={setPlace} />
				</>
			) : (
				<p className="text-soft">Nothing of it is large enough to keep.</p>
			)}
			<button type="submit" className="btn btn-primary h-14 text-base" disabled={clear.isPending}>
				{marks.size > 0 ? "Onto the rack, and on" : "Clear it away, and on"}
			</button>
			<Trouble error={clear.error} />
		</form>
	);
}
