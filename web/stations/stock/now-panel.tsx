import { type Across, acrossOf, type StripProgress } from "@core/cutting/plan/progress";
import { asLaid, type Blank, type SheetPlan } from "@core/cutting/plan/types";
import { counted } from "@core/units/counted";
import { useFigure } from "../../lib/prefs";
import { TicksTrouble } from "./ticks-trouble";
import type { Ticks } from "./use-ticks";

interface Props {
	plan: SheetPlan;
	blanks: readonly Blank[];
	progress: StripProgress;
	strip: number;
	ticks: Ticks;
	/** What a part is called. */
	nameOf(key: string): string;
	/** The strip is cut: on to the next. */
	onDone(): void;
	/** Something broke: what is left is to be planned anew. */
	onBroke(): void;
	isMending: boolean;
	/** By a saw; else scored and broken. */
	isSawn: boolean;
}

/** The strip to cut now: one large number, then what follows it, and counters for gluey hands. */
export function NowPanel({
	plan,
	blanks,
	progress,
	strip: index,
	ticks,
	nameOf,
	onDone,
	onBroke,
	isMending,
	isSawn,
}: Props) {
	const figure = useFigure();
	const strip = plan.strips[index];
	if (!strip) return null;
	const { heightMm: whole } = asLaid(plan);
	const toTheEdge = Math.abs(strip.yMm + strip.heightMm - whole) < 0.01;
	const { parts, done, columns } = progress;
	const at = columns.findIndex((its, i) => its < partsOf(i));
	const blank = blanks[strip.columns[at]?.blank ?? -1];
	const last = blanks[strip.columns.at(-1)?.blank ?? -1];
	function partsOf(i: number): number {
		const column = strip?.columns[i];
		return column ? column.stack * (blanks[column.blank]?.yields ?? 1) : 0;
	}
	const all = () => {
		const more = new Map<string, number>();
		for (const [i, column] of strip.columns.entries()) {
			const key = blanks[column.blank]?.key ?? "";
			more.set(key, (more.get(key) ?? 0) + partsOf(i) - (columns[i] ?? 0));
		}
		for (const [key, n] of more) if (n > 0) ticks.add(key, n);
		onDone();
	};
	return (
		<section aria-label="Now" className="flex flex-col gap-3">
			<p className="flex justify-between text-soft">
				<span className="font-semibold">Now</span>
				<span className="figure">
					{isSawn ? "cut" : "score"} {index + 1} of {plan.strips.length}
				</span>
			</p>
			<p>
				<b className="figure block text-6xl leading-none tracking-tight">{figure({ mm: strip.heightMm })}</b>
				<span className="mt-1 block text-lg">
					{toTheEdge
						? "is left as it is: nothing to cut"
						: isSawn
							? "saw across the whole sheet"
							: "score across the whole sheet, break"}
				</span>
			</p>
			<ul className="ruled text-[17px]">
				{acrossOf(strip).map((one) => (
					<AcrossLine
						key={`${one.blank} ${one.widthMm} ${one.stack}`}
						one={one}
						blank={blanks[one.blank]}
						nameOf={nameOf}
						isSawn={isSawn}
					/>
				))}
			</ul>
			<p className="mt-1 flex items-baseline justify-between gap-3">
				<span>
					<b className="figure text-4xl">{done}</b>{" "}
					<span className="text-lg text-soft">
						of {parts} done{ticks.isPending && ", saving"}
					</span>
				</span>
				<progress
					className="progress h-3 w-32 text-secondary"
					value={done}
					max={parts}
					aria-label={`${done} of ${parts}`}
				/>
			</p>
			{blank && (
				<div className="grid grid-cols-3 gap-2">
					{[1, 5].map((n) => (
						<button
							key={n}
							type="button"
							className="btn h-16"
							aria-label={`${n} more of ${nameOf(blank.key)}`}
							onClick={() => ticks.add(blank.key, Math.min(n, parts - done))}
						>
							<span className="text-2xl">+{n}</span>
						</button>
					))}
					<button type="button" className="btn btn-primary h-16" onClick={all}>
						<span className="text-base">strip done</span>
					</button>
				</div>
			)}
			{(blank ?? last) && (
				<Broke blank={(blank ?? last) as Blank} ticks={ticks} nameOf={nameOf} onBroke={onBroke} isMending={isMending} />
			)}
			<TicksTrouble ticks={ticks} />
		</section>
	);
}

const FINISH: Record<Blank["finish"], string> = {
	none: "",
	diagonal: "score corner to corner: two triangles of each",
	round: "nip the corners, then grind",
	outline: "draw round the pattern; relief cuts where it turns in",
	nest: "outlines laid into each other: saw them apart along the drawn lines",
};

/** "turn, then 11 scores at 20 mm". */
function AcrossLine(props: { one: Across; blank: Blank | undefined; nameOf(key: string): string; isSawn: boolean }) {
	const { one, blank, nameOf, isSawn } = props;
	const cut = isSawn ? "cut" : "score";
	const figure = useFigure();
	const { columns, widthMm, stack, heightMm } = one;
	return (
		<li className="py-1.5">
			<span className="flex items-baseline justify-between gap-3">
				<span>
					turn, then{" "}
					<b className="figure">
						{columns} {columns === 1 ? cut : `${cut}s`} at {figure({ mm: widthMm })}
					</b>
				</span>
				<span className="figure whitespace-nowrap">{counted(columns * stack, "piece")}</span>
			</span>
			{stack > 1 && (
				<span className="block text-[15px]">
					each again across at <b className="figure">{figure({ mm: heightMm })}</b>, {stack} of it
				</span>
			)}
			{blank && (
				<span className="block text-[13px] text-soft">
					{nameOf(blank.key)}
					{blank.finish !== "none" && `; ${FINISH[blank.finish]}`}
				</span>
			)}
		</li>
	);
}

/** A part that broke is cut again: its glass is used up, the rest of the plan is laid anew, and nothing that is cut moves. */
function Broke({
	blank,
	ticks,
	nameOf,
	onBroke,
	isMending,
}: Pick<Props, "ticks" | "nameOf" | "onBroke" | "isMending"> & { blank: Blank }) {
	const { key } = blank;
	const done = ticks.doneOf(key);
	const broken = ticks.brokenOf(key);
	const broke = (more: number) => {
		ticks.add(key, more, 1);
		onBroke();
	};
	return (
		<div className="flex flex-col gap-1.5">
			<button type="button" className="btn h-14 text-base text-warning" disabled={isMending} onClick={() => broke(0)}>
				one broke: cut it again from what is left
			</button>
			<div className="grid grid-cols-2 gap-1.5">
				<button
					type="button"
					className="btn h-auto min-h-11 py-1"
					disabled={done === 0 || isMending}
					onClick={() => broke(-1)}
				>
					a finished one broke
				</button>
				<button
					type="button"
					className="btn h-auto min-h-11 py-1"
					disabled={done === 0}
					onClick={() => ticks.add(key, -1)}
				>
					counted one too many
				</button>
			</div>
			<p className="text-soft" role="status">
				{isMending ? "planning the rest …" : broken > 0 ? `${broken} of ${nameOf(key)} broke so far` : ""}
			</p>
		</div>
	);
}
