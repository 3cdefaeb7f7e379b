import type { FiringCard } from "@contract/views";
import { LEVEL_BANDS, LEVEL_WORDS, levelOf } from "@core/firing/level";
import { curveOf } from "@core/firing/schedule";
import { ALLOWED_TENSION_PA } from "@core/glass/constants";
import { seriesOf } from "@core/kiln/simulate";
import { formatMinutes } from "@core/units/duration";
import { clockNear, dayAndClock } from "@formats/time";
import { useState } from "react";
import { useAct, useView } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { ChoiceField } from "../../ui/fields";
import { framed, type StationProps } from "../../ui/framed";
import { Caution, Empty, Trouble } from "../../ui/notice";
import { type CurveSeries, ScheduleCurve } from "../../ui/schedule-curve";
import { SegmentList } from "../../ui/segment-list";
import { LevelGlyph } from "../../ui/signs";
import { useSimulation } from "./use-simulation";

export default framed("fire", "fire", Fire);

const STATE_LINE = { planned: "to start", running: "hot", opened: "opened", cancelled: "called off" } as const;

/** Planned and running firings: what the glass becomes, the curve that serves it, and the kiln as it is. */
function Fire({ view }: StationProps<"fire">) {
	const [chosenId, setChosenId] = useState<string | null>(null);
	const active = view.firings.filter(({ state }) => state !== "cancelled");
	const order = { planned: 0, running: 1, opened: 2, cancelled: 3 };
	const sorted = [...active].sort((a, b) => order[a.state] - order[b.state] || b.number - a.number);
	const firing = sorted.find(({ id }) => id === chosenId) ?? sorted[0];
	if (!firing)
		return <Empty title="No firing is planned">Accept a load first; it appears here with its schedule.</Empty>;
	return (
		<div className="grid h-full min-h-0 grid-cols-[250px_minmax(0,1fr)_310px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Firings" className="scroll-y border-r border-line py-4">
				<h2 className="px-5 pb-2">Firings</h2>
				<ul>
					{sorted.map((one) => (
						<li key={one.id} className="border-t border-line">
							<button
								type="button"
								aria-pressed={one.id === firing.id}
								className={`flex min-h-14 w-full items-center gap-3 px-5 py-2 text-left ${one.id === firing.id ? "bg-pick" : "hover:bg-base-100"}`}
								onClick={() => setChosenId(one.id)}
							>
								<LevelGlyph level={one.level} label={false} />
								<span className="min-w-0">
									<b className="block truncate">
										<span className="figure">{one.number}</span> {one.kiln.name}
									</b>
									<span className="block truncate text-soft">
										{one.pieces.length} {one.pieces.length === 1 ? "piece" : "pieces"}, {LEVEL_WORDS[one.level]},{" "}
										<span
											className={
												one.state === "planned" || one.state === "running" ? "font-semibold text-base-content" : ""
											}
										>
											{STATE_LINE[one.state]}
										</span>
									</span>
								</span>
							</button>
						</li>
					))}
				</ul>
			</section>
			<FiringBench key={firing.id} firing={firing} />
		</div>
	);
}

function FiringBench({ firing }: { firing: FiringCard }) {
	const { nowMs, timeZone } = usePrefs();
	const { kiln } = firing;
	const shelf = { widthMm: kiln.shelfWidthMm, heightMm: kiln.shelfHeightMm, marginMm: kiln.marginMm };
	const loaded = firing.pieces.flatMap(({ asMade }) => (asMade ? [{ asMade }] : []));
	const simulation = useSimulation(firing.id, [loaded, { body: kiln.body, shelf }, firing.family, firing.schedule]);
	const readings = useView("readings", { firing: firing.id }, undefined, firing.startedAt !== null).data;
	const plan = curveOf(firing.schedule, firing.kiln.body);
	const nowS =
		firing.startedAt && firing.state === "running"
			? ((nowMs - Date.parse(firing.startedAt)) / 1000) * firing.speedUp
			: undefined;
	const series: CurveSeries[] = [
		{ name: "plan", points: plan, kind: "plan" },
		...(simulation
			? [
					{ name: "kiln, simulated", points: seriesOf(simulation, "airC"), kind: "simulated" as const },
					{ name: "glass core", points: seriesOf(simulation, "coreC"), kind: "core" as const },
				]
			: []),
		...(readings && readings.points.length > 1
			? [{ name: "kiln, measured", points: readings.points, kind: "measured" as const }]
			: []),
	];
	const now = new Date(nowMs);
	return (
		<>
			<section aria-label="Curve" className="scroll-y flex flex-col gap-3 px-5 py-4">
				<div className="flex items-end justify-between gap-4">
					<h1>
						<span className="figure">{firing.number}</span> · {firing.kiln.name}
					</h1>
					<p className="text-right text-soft">
						{firing.startedAt ? `started ${dayAndClock(firing.startedAt, timeZone)}` : "not started"}
						{firing.speedUp > 1 && <b className="block text-accent">the stand-in’s clock runs ×{firing.speedUp}</b>}
					</p>
				</div>
				<FlowBands
					flow={firing.flow}
					soFar={readings && readings.points.length > 1 ? readings.flowSoFar : undefined}
					level={firing.level}
				/>
				<ScheduleCurve
					width={690}
					height={330}
					series={series}
					nowS={nowS}
					openS={firing.openS}
					bands={bandsOf(firing)}
					summary={`Firing ${firing.number}: plan, simulated kiln and glass, measured kiln air`}
				/>
				<p className="text-soft">
					{simulation
						? `Simulated: at most ${(simulation.peakStressPa / 1e6).toFixed(1)} MPa of passing tension (${ALLOWED_TENSION_PA / 1e6} allowed, from memory), energy ${firing.kwh.toFixed(1)} kWh. It cannot know how uneven this kiln is, nor a lid that is lifted.`
						: "Simulating …"}
				</p>
			</section>
			<section aria-label="Do" className="scroll-y border-l border-line px-5 py-4">
				<p>
					<span className="text-soft">{firing.openAt ? "open not before" : "open after the start"}</span>
					<b className="figure block text-3xl">
						{firing.openAt ? clockNear(firing.openAt, now, timeZone) : formatMinutes(firing.openS / 60)}
					</b>
				</p>
				<div className="my-3">
					<SegmentList schedule={firing.schedule} setBy={firing.setBy} airMin={firing.airMin} pieces={firing.pieces} />
				</div>
				{firing.state === "planned" && <StartForm firing={firing} />}
				{firing.state === "running" && (
					<a className="btn btn-primary w-full" href="/open">
						To opening and judging
					</a>
				)}
				<div className="mt-4 flex flex-col gap-2">
					<Caution>
						A kiln is started by somebody standing at it. An independent over-temperature cut-out protects; a number on
						a screen does not.
					</Caution>
					<Caution>
						Looking into a hot kiln: infrared eyewear, gloves, long sleeves, seconds only. Ventilate while glue and
						paper burn off.
					</Caution>
				</div>
			</section>
		</>
	);
}

/** Where the plan's flow index lies among the levels, on its log scale, and how far the glass has come. */
function FlowBands({ flow, soFar, level }: { flow: number; soFar: number | undefined; level: FiringCard["level"] }) {
	const [from, to] = [0.004, 60];
	const x = (value: number) => (Math.log(Math.min(to, Math.max(from, value)) / from) / Math.log(to / from)) * 100;
	const names = ["slump", "sinter", "tack", "contour", "full", "deep"] as const;
	const reading = levelOf(flow);
	return (
		<div>
			<p className="mb-1">
				<LevelGlyph level={level} /> <b className="figure ml-2">flow index {flow.toFixed(2)}</b>
				{reading.next && (
					<span className="text-soft">
						{" "}
						· {Math.round(reading.next.share * 100)} % of the way through{" "}
						{reading.level ? LEVEL_WORDS[reading.level] : "nothing"} to {LEVEL_WORDS[reading.next.level]}
					</span>
				)}
			</p>
			<svg
				viewBox="0 0 100 9"
				preserveAspectRatio="none"
				className="block h-8 w-full"
				role="img"
				aria-label={`Flow index ${flow.toFixed(2)}${soFar === undefined ? "" : `, so far ${soFar.toFixed(3)}`}`}
			>
				{names.map((name, i) => (
					<rect
						key={name}
						x={x(LEVEL_BANDS[name].from)}
						y="0"
						width={x(LEVEL_BANDS[name].to) - x(LEVEL_BANDS[name].from)}
						height="9"
						className={
							name === reading.level
								? "fill-secondary/35"
								: i % 2 === 0
									? "fill-base-content/8"
									: "fill-base-content/14"
						}
					/>
				))}
				{soFar !== undefined && <rect x="0" y="6.5" width={x(soFar)} height="2.5" className="fill-accent" />}
				<path
					d={`M${x(flow)} 0V9`}
					className="stroke-base-content"
					strokeWidth="2.5"
					vectorEffect="non-scaling-stroke"
				/>
			</svg>
			<svg viewBox="0 0 690 14" className="block w-full" aria-hidden="true">
				{names.map((name) => (
					<text
						key={name}
						x={((x(LEVEL_BANDS[name].from) + x(LEVEL_BANDS[name].to)) / 2) * 6.9}
						y="11"
						textAnchor="middle"
						className="fill-soft text-[11px]"
					>
						{name}
					</text>
				))}
			</svg>
		</div>
	);
}

function bandsOf(firing: FiringCard) {
	const words = { up: "up", peak: "peak", drop: "anneal", down1: "down", down2: "", down3: "to open" };
	return firing.schedule.segments.map((segment, i) => {
		const until = (count: number) =>
			curveOf({ segments: firing.schedule.segments.slice(0, count) }, firing.kiln.body).at(-1)?.s ?? 0;
		return { fromS: until(i), toS: until(i + 1), name: words[segment.name] };
	});
}

const CLOCKS = [
	{ value: "1", label: "real time" },
	{ value: "60", label: "stand-in, clock ×60" },
	{ value: "600", label: "stand-in, clock ×600" },
	{ value: "3600", label: "stand-in, clock ×3600" },
] as const;

function StartForm({ firing }: { firing: FiringCard }) {
	const [clock, setClock] = useState<(typeof CLOCKS)[number]["value"]>("1");
	const [there, setThere] = useState(false);
	const start = useAct("startFiring");
	const cancel = useAct("cancelFiring");
	return (
		<form
			className="flex flex-col gap-3"
			onSubmit={(event) => {
				event.preventDefault();
				start.mutate({ firingId: firing.id, speedUp: Number(clock) as 1, somebodyThere: there as true });
			}}
		>
			<ChoiceField
				label="Kiln clock"
				value={clock}
				onChange={(value) => setClock(value)}
				options={CLOCKS}
				hint="This kiln is simulated; the calendar keeps its own pace."
			/>
			<label className="flex min-h-11 cursor-pointer items-center gap-3 font-semibold">
				<input
					type="checkbox"
					className="checkbox checkbox-secondary"
					checked={there}
					onChange={(event) => setThere(event.target.checked)}
				/>
				Somebody is at the kiln and has pressed its start
			</label>
			<Trouble error={start.error ?? cancel.error} />
			<button type="submit" className="btn btn-primary" disabled={start.isPending}>
				Start firing {firing.number}
			</button>
			<button
				type="button"
				className="btn btn-ghost"
				disabled={cancel.isPending}
				onClick={() => cancel.mutate({ firingId: firing.id })}
			>
				Call it off: {firing.pieces.length} {firing.pieces.length === 1 ? "piece goes" : "pieces go"} back to the tray
			</button>
		</form>
	);
}
