import { type Rest, restsOf } from "@core/cutting/plan/figures";
import type { StripProgress } from "@core/cutting/plan/progress";
import { isAbove } from "@core/cutting/plan/rest-above";
import { type SawnOutlines, sawnOutlinesOf } from "@core/cutting/plan/sawn-outlines";
import { asLaid, type Blank, type CutRules, type SheetPlan } from "@core/cutting/plan/types";
import type { Glass } from "@core/glass/glass";
import { scaleBarMm } from "@core/units/scale-bar";
import { useFigure, usePrefs } from "../../lib/prefs";

interface Props {
	plan: SheetPlan;
	/** Of its strips, in their order. */
	progress: readonly StripProgress[];
	/** The strip to cut now; -1 for none on this sheet. */
	now: number;
	blanks: readonly Blank[];
	rules: CutRules;
	glass: Glass;
	/** What is above its strips is cut from further, as a sheet of its own. */
	goesOn: boolean;
	onStrip(strip: number): void;
}

const EDGE = { left: 46, right: 58, top: 6, foot: 34 };

/** A sheet to scale with its scores in their order: what is done is faded, what is next is framed. */
export function SheetMap({ plan, progress, now, blanks, rules, glass, goesOn, onStrip }: Props) {
	const figure = useFigure();
	const { units } = usePrefs();
	const { lengthMm, heightMm } = asLaid(plan);
	// One unit of the drawing is a millimetre; words keep their size whatever the sheet's.
	const size = Math.max(lengthMm, heightMm) / 500;
	const bar = scaleBarMm(lengthMm, units.length);
	const [left, right, top, foot] = [EDGE.left, EDGE.right, EDGE.top, EDGE.foot].map((mm) => mm * size) as [
		number,
		number,
		number,
		number,
	];
	const sawn = sawnOutlinesOf(plan, blanks, rules.kerfMm, "laid");
	return (
		<svg
			viewBox={`${-left} ${-top} ${lengthMm + left + right} ${heightMm + top + foot}`}
			className="block h-full max-h-full w-full"
			role="group"
			aria-label={`Sheet ${figure({ mm: lengthMm })} by ${figure({ mm: heightMm })}, ${plan.strips.length} strips`}
		>
			<rect width={lengthMm} height={heightMm} className="fill-base-100 stroke-base-content/50" strokeWidth={size} />
			{restsOf(plan, rules).map((rest) => (
				<KeptRest
					key={`${rest.xMm} ${rest.yMm}`}
					rest={rest}
					size={size}
					goesOn={goesOn && isAbove(rest, plan, rules)}
				/>
			))}
			{plan.strips.map((strip, i) => (
				<StripDrawing
					key={strip.yMm}
					plan={plan}
					index={i}
					its={progress[i]}
					isNow={i === now}
					glass={glass}
					kerfMm={rules.kerfMm}
					sawn={sawn.filter((one) => one.strip === i + 1)}
					size={size}
					onPick={() => onStrip(i)}
				/>
			))}
			{now >= 0 && <NowFrame strip={plan.strips[now]} lengthMm={lengthMm} size={size} />}
			<g transform={`translate(0 ${heightMm + 22 * size})`} className="fill-soft">
				<path
					d={`M0 ${-5 * size}v${8 * size}M0 0H${bar}M${bar} ${-5 * size}v${8 * size}`}
					className="stroke-base-content"
					strokeWidth={1.2 * size}
				/>
				<text x={bar + 6 * size} y={4 * size} fontSize={11.5 * size} className="figure">
					{figure({ mm: bar })}
				</text>
				{glass.directed && (
					<text x={lengthMm} y={4 * size} fontSize={11.5 * size} textAnchor="end">
						streaks run {plan.turned ? "up and down" : "from left to right"}
					</text>
				)}
			</g>
		</svg>
	);
}

function StripDrawing(props: {
	plan: SheetPlan;
	index: number;
	its: StripProgress | undefined;
	isNow: boolean;
	glass: Glass;
	kerfMm: number;
	/** Outlines that its blanks are sawn into. */
	sawn: readonly SawnOutlines[];
	size: number;
	onPick(): void;
}) {
	const { plan, index, its, isNow, glass, kerfMm, sawn, size, onPick } = props;
	const figure = useFigure();
	const { lengthMm, heightMm: whole } = asLaid(plan);
	const strip = plan.strips[index] as SheetPlan["strips"][number];
	const { yMm, heightMm, columns } = strip;
	const end = yMm + heightMm;
	const isDone = its !== undefined && its.done >= its.parts;
	const isEdge = Math.abs(end - whole) < 0.01;
	return (
		<g
			role="button"
			tabIndex={0}
			aria-label={`Strip ${index + 1}: ${figure({ mm: heightMm })}, ${its?.done ?? 0} of ${its?.parts ?? 0} done`}
			aria-pressed={isNow}
			className="cursor-pointer"
			onClick={onPick}
			onKeyDown={({ key }) => (key === "Enter" || key === " ") && onPick()}
		>
			{columns.map((column, c) => {
				const each = its ? (its.columns[c] ?? 0) : 0;
				const part = column.stack > 0 ? each / (its ? partsIn(its, plan, index, c) : 1) : 0;
				const outlines = sawn.find((one) => one.column === c)?.outlines;
				return Array.from({ length: column.stack }, (_, k) => (
					<rect
						key={`${column.xMm} ${k}`}
						x={column.xMm}
						y={yMm + k * (column.heightMm + kerfMm)}
						width={column.widthMm}
						height={column.heightMm}
						fill={glass.boughtColour}
						fillOpacity={outlines ? 0.15 : k < Math.round(part * column.stack) ? 0.2 : isNow ? 1 : 0.62}
						className="stroke-base-100"
						strokeWidth={0.9 * size}
					/>
				));
			})}
			{sawn.map(({ column, outlines }) => {
				const cut = its?.columns[column] ?? 0;
				return outlines.map((outline, n) => (
					<path
						key={`${column} ${n}`}
						d={`M${outline.map(({ x, y }) => `${x} ${y}`).join("L")}Z`}
						fill={glass.boughtColour}
						fillOpacity={n < cut ? 0.2 : isNow ? 1 : 0.62}
						className="stroke-base-content/60"
						strokeWidth={0.7 * size}
					/>
				));
			})}
			{!isEdge && (
				<path
					d={`M${-24 * size} ${end}H${lengthMm + 6 * size}`}
					className={isDone ? "stroke-base-content/30" : "stroke-base-content"}
					strokeWidth={(isNow ? 2.2 : 1.1) * size}
					strokeDasharray={isNow ? undefined : `${5 * size} ${4 * size}`}
				/>
			)}
			<circle
				cx={-33 * size}
				cy={end}
				r={9.5 * size}
				className={isNow ? "fill-accent" : isDone ? "fill-base-300" : "fill-base-100 stroke-base-content/40"}
				strokeWidth={size}
			/>
			<text
				x={-33 * size}
				y={end + 4.2 * size}
				fontSize={12 * size}
				textAnchor="middle"
				className={`figure font-bold ${isNow ? "fill-accent-content" : isDone ? "fill-soft" : "fill-base-content"}`}
			>
				{index + 1}
			</text>
			<text
				x={lengthMm + 10 * size}
				y={yMm + heightMm / 2 + 4.5 * size}
				fontSize={13 * size}
				className={`figure font-bold ${isDone ? "fill-soft" : "fill-base-content"}`}
			>
				{figure({ mm: heightMm })}
			</text>
		</g>
	);
}

/** Parts that a column gives; a whole strip shares them out evenly where one rectangle gives two. */
function partsIn(its: StripProgress, plan: SheetPlan, strip: number, column: number): number {
	const { columns } = plan.strips[strip] as SheetPlan["strips"][number];
	const stacks = columns.reduce((sum, { stack }) => sum + stack, 0);
	return Math.max(1, Math.round((its.parts / Math.max(1, stacks)) * (columns[column]?.stack ?? 1)));
}

function NowFrame({
	strip,
	lengthMm,
	size,
}: {
	strip: SheetPlan["strips"][number] | undefined;
	lengthMm: number;
	size: number;
}) {
	if (!strip) return null;
	return (
		<rect
			x={-2 * size}
			y={strip.yMm - 1.5 * size}
			width={lengthMm + 4 * size}
			height={strip.heightMm + 3 * size}
			className="pointer-events-none fill-none stroke-accent"
			strokeWidth={3 * size}
		/>
	);
}

/** What is kept for the rack; its size stands in it where there is room. */
function KeptRest({ rest, size, goesOn }: { rest: Rest; size: number; goesOn: boolean }) {
	const figure = useFigure();
	const { xMm, yMm, widthMm, heightMm } = rest;
	const words = `${goesOn ? "cut from further:" : "keep"} ${figure({ mm: widthMm })} × ${figure({ mm: heightMm })}`;
	const fits = widthMm > words.length * 6 * size && heightMm > 16 * size;
	return (
		<g>
			<rect x={xMm} y={yMm} width={widthMm} height={heightMm} className="fill-base-200" />
			{fits && (
				<text
					x={xMm + widthMm / 2}
					y={yMm + heightMm / 2 + 4 * size}
					fontSize={11.5 * size}
					textAnchor="middle"
					className="figure fill-soft"
				>
					{words}
				</text>
			)}
		</g>
	);
}
