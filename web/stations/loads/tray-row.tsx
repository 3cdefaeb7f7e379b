import type { LoadView } from "@contract/loads";
import { LEVEL_WORDS } from "@core/firing/level";
import { groupBy } from "@core/group-by";
import { outlineKey } from "@core/piece/outline-key";
import { dayWords } from "@formats/time";
import { Fragment } from "react";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { LazyImport } from "../../ui/lazy-import";
import { LevelGlyph, PromiseMark, StackBar } from "../../ui/signs";
import { OutlineMark } from "./outline-mark";

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
	view,
	mayMove,
}: {
	view: LoadView;
	/** Into trays of other levels: an instructor. */
	mayMove: boolean;
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
	const day = (its: string) => dayWords(its, new Date(nowMs), timeZone);
	const promisedWords = (its: string | null) => (its ? `promised ${day(its)}` : "no promise");
	/** Pieces of one class that are promised for one day stand together. */
	const groupOf = ({ id, promisedDay }: Piece) => {
		const taught = view.classes[id];
		return `${taught ? `${day(taught.day)}, ${taught.title}` : "Of no class"}: ${promisedWords(promisedDay)}`;
	};
	const wanting = tray.pieces.filter((piece) => surfaceOf(view, piece) !== null).length;
	const line = (piece: Piece) => <PieceLine key={piece.id} {...{ view, piece, toggle }} isIn={isIn(piece.id)} />;
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
						{tray.familyId} · {LEVEL_WORDS[tray.level]} · {band}
					</b>
					<span className="block text-soft">
						{promisedWords(tray.promised)}
						{wanting > 0 && `, ${wanting} on paper or a mould`}
					</span>
				</span>
				<span className="figure text-2xl font-bold">{tray.pieces.length}</span>
			</button>
			{chosen && (
				<ul className="px-5 pb-2">
					{[...groupBy(tray.pieces, groupOf).entries()].map(([group, its]) => (
						<Fragment key={group}>
							<li className="pt-1.5 text-[13px] leading-tight font-semibold text-soft">{group}</li>
							{its.map(line)}
						</Fragment>
					))}
					{mayMove && (
						<li className="flex flex-col pt-2">
							<LazyImport
								label="Into another tray …"
								load={async () => (await import("./other-tray")).default}
								with={{ pieces: tray.pieces }}
							/>
						</li>
					)}
					{banded.length > 0 && (
						<li className="pt-2 text-[13px] text-soft">
							Of another thickness: they may go along if you say so. A thinner piece is only annealed longer than it
							needs; a thicker one makes all of them wait.
						</li>
					)}
					{banded.map(line)}
					{foreign.length > 0 && (
						<li className="pt-2 text-[13px] text-soft">
							Of another family, on the other half of the shelf, where one schedule suits both. They never touch: look
							twice which is which.
						</li>
					)}
					{foreign.map(line)}
				</ul>
			)}
		</li>
	);
}

/** What a piece is to lie on, where the bare washed shelf will not do. */
const surfaceOf = ({ moulds }: LoadView, { id, body }: Piece): string | null =>
	moulds[id]?.name ?? (body?.opaqueBelow ? "shelf paper" : null);

/** A piece in its tray: whether it goes along, what it lies on, and as how thick it is cooled, which is why it is here. */
function PieceLine(props: { view: LoadView; piece: Piece; isIn: boolean; toggle(id: string): void }) {
	const { view, piece, isIn, toggle } = props;
	const figure = useFigure();
	const surface = surfaceOf(view, piece);
	return (
		<li>
			<label className="flex min-h-11 cursor-pointer items-center gap-2.5 py-0.5">
				<input
					type="checkbox"
					className="checkbox checkbox-sm checkbox-secondary"
					checked={isIn}
					onChange={() => toggle(piece.id)}
				/>
				<StackBar stack={piece.stack} width={10} />
				{piece.body && <OutlineMark ring={view.outlines[outlineKey(piece)]} {...piece.body} />}
				<span className="min-w-0 grow leading-tight">
					<span className="block truncate" title={piece.student ?? ""}>
						<b className="figure tracking-wide">{piece.code}</b> {piece.student}
					</span>
					<span className="flex items-baseline justify-between gap-2 text-[12.5px] text-soft">
						<span className="figure min-w-0">
							cools as {figure({ mm: piece.effectiveMm })}
							{piece.hadLevel && ", fused"}
							{piece.body?.from === "measuredBefore" && (
								<b className="text-warning"> · measure it, with what was added</b>
							)}
							{piece.body?.turnedOver && <b> · upside down</b>}
							{surface && (
								<>
									, on <b>{surface}</b>
								</>
							)}
						</span>
						{piece.promise && piece.promise !== "ok" && <PromiseMark state={piece.promise} />}
					</span>
				</span>
			</label>
		</li>
	);
}
