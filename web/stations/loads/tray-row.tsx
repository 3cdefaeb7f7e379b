import type { LoadView } from "@contract/loads";
import { dayWords } from "@formats/time";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { LevelGlyph, PromiseMark, StackBar } from "../../ui/signs";

type Tray = LoadView["trays"][number];
type Piece = Tray["pieces"][number];

/** What waits for one kind of load; chosen, its pieces can be left out one by one. */
export function TrayRow({
	tray,
	chosen,
	onChoose,
	mates,
	isIn,
	toggle,
}: {
	tray: Tray;
	chosen: boolean;
	onChoose(): void;
	/** Of the same level, in trays of other bands, or of another family where the studio mixes them. */
	mates: readonly Piece[];
	isIn(id: string): boolean;
	toggle(id: string): void;
}) {
	const figure = useFigure();
	const foreign = mates.filter(({ familyId }) => familyId !== tray.familyId);
	const banded = mates.filter(({ familyId }) => familyId === tray.familyId);
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const band = tray.upToMm === null ? `over ${figure({ mm: tray.fromMm })}` : `to ${figure({ mm: tray.upToMm })}`;
	return (
		<li className={`border-t border-line ${chosen ? "bg-pick" : ""}`}>
			<button
				type="button"
				aria-expanded={chosen}
				className="flex min-h-14 w-full items-center gap-3 px-5 py-2 text-left"
				onClick={onChoose}
			>
				<LevelGlyph level={tray.level} label={false} />
				<span className="min-w-0 grow">
					<b className="block">
						{tray.familyId} · <LevelWord level={tray.level} /> · {band}
					</b>
					<span className="block text-soft">
						{tray.promised ? `promised ${dayWords(tray.promised, new Date(nowMs), timeZone)}` : "no promise"}
					</span>
				</span>
				<span className="figure text-2xl font-bold">{tray.pieces.length}</span>
			</button>
			{chosen && (
				<ul className="px-5 pb-2">
					{tray.pieces.map((piece) => (
						<PieceLine key={piece.id} piece={piece} isIn={isIn(piece.id)} toggle={toggle} />
					))}
					{banded.length > 0 && (
						<li className="pt-2 text-[13px] text-soft">
							Of another thickness: they may go along if you say so. A thinner piece is only annealed longer than it
							needs; a thicker one makes all of them wait.
						</li>
					)}
					{banded.map((piece) => (
						<PieceLine key={piece.id} piece={piece} isIn={isIn(piece.id)} toggle={toggle} />
					))}
					{foreign.length > 0 && (
						<li className="pt-2 text-[13px] text-soft">
							Of another family, on the other half of the shelf, where one schedule suits both. They never touch: look
							twice which is which.
						</li>
					)}
					{foreign.map((piece) => (
						<PieceLine key={piece.id} piece={piece} isIn={isIn(piece.id)} toggle={toggle} />
					))}
				</ul>
			)}
		</li>
	);
}

const LevelWord = ({ level }: { level: Tray["level"] }) => <>{level === "firePolish" ? "fire polish" : level}</>;

/** A piece in its tray: whether it goes along, and as how thick it is cooled, which is why it is here. */
function PieceLine({ piece, isIn, toggle }: { piece: Piece; isIn: boolean; toggle(id: string): void }) {
	const figure = useFigure();
	return (
		<li>
			<label className="flex min-h-11 cursor-pointer items-center gap-2.5">
				<input
					type="checkbox"
					className="checkbox checkbox-sm checkbox-secondary"
					checked={isIn}
					onChange={() => toggle(piece.id)}
				/>
				<StackBar stack={piece.stack} width={18} />
				<span className="min-w-0 grow leading-tight">
					<span className="block truncate" title={piece.student ?? ""}>
						<b className="figure tracking-wide">{piece.code}</b> {piece.student}
					</span>
					<span className="figure block text-[12.5px] text-soft">
						cools as {figure({ mm: piece.effectiveMm })}
						{piece.hadLevel && ", fused"}
					</span>
				</span>
				{piece.promise && piece.promise !== "ok" && <PromiseMark state={piece.promise} />}
			</label>
		</li>
	);
}
