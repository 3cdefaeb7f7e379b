import type { CutView } from "@contract/cutting";
import { cutLengths, type Rod } from "@core/cutting/lengths";
import { groupBy } from "@core/group-by";
import { USUAL_ROD_MM } from "@core/stock/needs";
import { useFigure } from "../../lib/prefs";

/** Threads and ribbons: which lengths are snapped off which rods, equal rods together. */
export function ThreadList({ view }: { view: CutView }) {
	const figure = useFigure();
	const lines = view.runs.flatMap((run) => run.lines.filter(({ kind }) => kind === "thread"));
	const left = lines.flatMap(({ glassId, amount, needed, spares, done }) =>
		Array.from({ length: Math.max(0, needed + spares - done) }, () => ({
			glassId,
			mm: amount && "mm" in amount ? Math.round(amount.mm * 10) / 10 : 0,
		})),
	);
	if (left.length === 0) return null;
	return (
		<section aria-label="Threads from rods" className="mt-6">
			<h2>Threads from rods</h2>
			<ul className="ruled">
				{[...groupBy(left, ({ glassId }) => glassId)].map(([glassId, its]) => {
					const rod = view.rods.find((one) => one.glassId === glassId);
					const rodMm = rod?.lengthMm ?? USUAL_ROD_MM;
					const { rods, tooLong } = cutLengths(
						its.map(({ mm }) => mm),
						rodMm,
					);
					const name = view.glasses.find(({ id }) => id === glassId)?.name ?? glassId;
					return (
						<li key={glassId} className="py-1.5">
							<b className="figure text-lg">{rods.length}</b> {rods.length === 1 ? "rod" : "rods"} of{" "}
							{figure({ mm: rodMm })}, <b>{name}</b>
							{rod?.place && <span className="text-soft">, {rod.place}</span>}
							{[...groupBy(rods, patternOf)].map(([pattern, same]) => (
								<span key={pattern} className="figure block text-soft">
									{same.length} × {wordsOf(same[0] as Rod, (mm) => figure({ mm }))}
								</span>
							))}
							{tooLong.length > 0 && (
								<span className="block font-semibold text-warning">
									{tooLong.length} longer than a rod: lay two end to end, or change the part.
								</span>
							)}
						</li>
					);
				})}
			</ul>
		</section>
	);
}

const patternOf = ({ cuts }: Rod): string => cuts.join(" ");

/** "4 at 96 mm, 1 at 40 mm; 6 mm is left". */
function wordsOf({ cuts, restMm }: Rod, figure: (mm: number) => string): string {
	const lengths = [...groupBy(cuts, (mm) => mm)].map(([mm, same]) => `${same.length} at ${figure(mm)}`);
	return `${lengths.join(", ")}; ${figure(restMm)} is left`;
}
