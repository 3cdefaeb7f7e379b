import type { CutRun } from "@contract/cutting";
import { isScored } from "@core/cutting/count";
import { lineKeyOf } from "@core/cutting/glass-lists";
import { boundsOf } from "@core/geometry/bounds";
import { regionOfShape, sizesOf } from "@core/geometry/shape";
import type { Glass } from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { Minus, Plus } from "lucide-react";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { SHAPE_WORDS } from "../../ui/part-words";
import { regionPath } from "../../ui/region-path";
import { SwatchPair } from "../../ui/signs";
import { kitWords } from "./kit-words";
import { TicksTrouble } from "./ticks-trouble";
import { useTicks } from "./use-ticks";

type Line = CutRun["lines"][number];

/** What to cut for a class, per glass, widest strip first, each with its counter to tick. */
export function PartsList({ runs, glasses }: { runs: readonly CutRun[]; glasses: readonly Glass[] }) {
	const ticks = useTicks(runs);
	return (
		<>
			<TicksTrouble ticks={ticks} />
			{runs.map((run) => (
				<div key={run.id} className="mt-4">
					<p className="text-lg font-bold">
						<span className="figure">{run.kits}</span> × {kitWords(run.kit.name, run.palette)}
					</p>
					{run.drawer.length > 0 && (
						<p className="text-soft">
							From the drawer, so not to be cut for:{" "}
							{run.drawer.map(({ name, count }) => `${count} × ${name}`).join(", ")}
						</p>
					)}
					{[...groupBy(run.lines, ({ glassId }) => glassId).entries()].map(([glassId, lines]) => (
						<GlassGroup
							key={glassId}
							glass={glasses.find(({ id }) => id === glassId)}
							lines={lines}
							run={run}
							ticks={ticks}
						/>
					))}
				</div>
			))}
		</>
	);
}

function GlassGroup({
	glass,
	lines,
	run,
	ticks,
}: {
	glass: Glass | undefined;
	lines: readonly Line[];
	run: CutRun;
	ticks: ReturnType<typeof useTicks>;
}) {
	const figure = useFigure();
	const thickness = glass && glass.thicknessMm > 0 ? `, ${figure({ mm: glass.thicknessMm })}` : "";
	return (
		<div className="mt-2">
			<h2 className="flex items-center gap-2 py-1">
				{glass && <SwatchPair bought={glass.boughtColour} fired={glass.firedColour} label={glass.name} />}
				{glass ? `${glass.name}${thickness}, family ${glass.familyId}` : "Metal, fibre and walls"}
			</h2>
			<ul className="ruled">
				{lines.map((line) => (
					<CutRow
						key={line.key}
						line={line}
						id={lineKeyOf(run.id, line.key)}
						runId={run.id}
						ticks={ticks}
						colour={glass?.boughtColour ?? "#d8d4c8"}
					/>
				))}
			</ul>
		</div>
	);
}

function CutRow({
	line,
	id,
	runId,
	ticks,
	colour,
}: {
	line: Line;
	id: string;
	runId: string;
	ticks: ReturnType<typeof useTicks>;
	colour: string;
}) {
	const figure = useFigure();
	const goal = line.needed + line.spares;
	const done = ticks.doneOf(id);
	const count = (next: number) => ticks.add(id, next - done);
	const region = line.shape ? regionOfShape(line.shape) : [];
	const box = boundsOf(region);
	const sizes = line.shape
		? sizesOf(line.shape)
				.map((mm) => figure({ mm }))
				.join(" × ")
		: line.amount
			? figure(line.amount)
			: "";
	const what = line.kind === "sheet" && line.shape ? SHAPE_WORDS[line.shape.kind] : line.stuff;
	return (
		<li className="grid grid-cols-[64px_1.2fr_1fr_auto] items-center gap-4 py-1.5">
			<svg
				viewBox={`${box.minX - 1} ${-box.maxY - 1} ${box.widthMm + 2} ${box.heightMm + 2}`}
				className="h-11 w-16"
				aria-hidden="true"
			>
				<path
					d={regionPath(region)}
					fillRule="evenodd"
					fill={colour}
					className="stroke-base-content/60"
					strokeWidth={Math.max(box.widthMm, box.heightMm) / 60}
				/>
			</svg>
			<div>
				<p>
					<b className="figure text-lg">{goal}</b> of <b className="figure">{sizes}</b>, {what}
					{line.kind === "grains" && line.amount && `, ${figure(line.amount)} a pot`}
				</p>
				<p className="text-soft">
					{isScored(line) && `from strips ${figure({ mm: line.stripMm })} wide; `}
					{line.isBought && "bought cut to shape; "}
					{line.needed} {line.spares > 0 ? `and ${line.spares} spare` : `in all, ${line.perKit} a kit`}
				</p>
				{line.kind === "sheet" && <Spares line={line} runId={runId} />}
			</div>
			<div className="flex items-center gap-3">
				<progress
					className="progress h-3 w-full text-secondary"
					value={Math.min(done, goal)}
					max={goal}
					aria-label={`${done} of ${goal} done`}
				/>
				<span className={`figure w-24 shrink-0 text-right font-semibold ${done >= goal ? "text-success" : ""}`}>
					{done >= goal ? "all done" : `${done} done`}
					{ticks.isPending && <span className="block font-normal text-soft">saving</span>}
				</span>
			</div>
			<div className="join">
				<button
					type="button"
					className="btn join-item w-12"
					aria-label={`One less of ${sizes}`}
					disabled={done === 0}
					onClick={() => count(done - 1)}
				>
					<Minus size={18} />
				</button>
				<button
					type="button"
					className="btn join-item w-12"
					aria-label={`One more of ${sizes}`}
					onClick={() => count(done + 1)}
				>
					<Plus size={18} />
				</button>
				<button type="button" className="btn join-item" disabled={done >= goal} onClick={() => count(goal)}>
					all
				</button>
			</div>
		</li>
	);
}

/** More spares of what breaks easily. */
function Spares({ line, runId }: { line: Line; runId: string }) {
	const set = useAct("setSpares");
	const button = (words: string, label: string, spares: number) => (
		<button
			type="button"
			className="btn btn-ghost btn-xs font-normal text-soft max-lg:h-11"
			aria-label={label}
			disabled={spares < 0 || set.isPending}
			onClick={() => set.mutate({ cutRunId: runId, lineKey: line.key, spares })}
		>
			{words}
		</button>
	);
	return (
		<span className="-ml-2 flex items-center">
			{button("fiddly: 2 more spares", `2 more spares of ${line.key}`, line.spares + 2)}
			{button("1 fewer", `1 spare fewer of ${line.key}`, line.spares - 1)}
			<Trouble error={set.error} />
		</span>
	);
}
