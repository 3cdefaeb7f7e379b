import type { FiringCard, MeasuredPoint, ReadingsView } from "@contract/firings";
import { LEVEL_WORDS, levelOf } from "@core/firing/level";
import { planFlow } from "@core/firing/plan-flow";
import { curveOf } from "@core/firing/schedule";
import { viscosityOf } from "@core/glass/viscosity";
import { isBelieved } from "@core/kiln/sensor";
import { type Simulation, seriesOf } from "@core/kiln/simulate";
import { heatPlaces, shelvesUsed } from "@core/loading/tiers";
import { formatMinutes } from "@core/units/duration";
import { clockNear, dayAndClock } from "@formats/time";
import { Caution } from "../../forms/notice";
import { useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { type CurveSeries, curveOfSeries } from "../../ui/firing-chart/series";
import type { Frame } from "../../ui/frame/frame";
import { KilnHeatFigure } from "../../ui/kiln-heat";
import { OwnCautions } from "../../ui/own-cautions";
import { SegmentList } from "../../ui/segment-list";
import { FlowBands } from "./flow-bands";
import { phaseBands } from "./phase-bands";
import { RunPanel } from "./run-panel";
import { simulationOf } from "./simulation-of";
import { StartForm } from "./start-form";
import { megapascals, strips } from "./strips";
import { useSimulation } from "./use-simulation";

/** One firing on the table: bands first, then the curve with what was measured, and what there is to do. */
export function FiringBench({ firing, frame }: { firing: FiringCard; frame: Frame }) {
	const { timeZone, units } = usePrefs();
	const figure = useFigure();
	const nowMs = useNow();
	const { kiln } = firing;
	const readings = useView("readings", { firing: firing.id }, undefined, firing.startedAt !== null).data;
	const shelves = shelvesUsed(firing.pieces.map(({ place }) => place));
	const input = simulationOf(kiln, firing.schedule, firing.family, firing.heat, shelves);
	const planned = useSimulation(input);
	const distrust = readings?.distrust ?? [];
	const measured = curveOfSeries((readings?.points ?? []).filter(({ s }) => isBelieved(distrust, s)));
	const controller = readings?.controller;
	const predicted = useSimulation(
		firing.state === "running" && controller && measured.length > 1
			? { ...input, soFar: { air: measured, controller } }
			: null,
	);
	const started = firing.startedAt;
	const nowS =
		started && firing.state === "running" ? ((nowMs - Date.parse(started)) / 1000) * firing.speedUp : undefined;
	const rest = predicted?.simulation;
	const series = linesOf(firing, planned?.simulation, rest, readings?.points ?? []);
	const shown = rest ?? planned?.simulation;
	const flow = rest?.flow ?? planFlow(firing.schedule, viscosityOf(firing.family), kiln.body);
	const other = onTheRight(firing);
	const clockOf = started
		? (s: number) => clockNear(new Date(Date.parse(started) + (s / firing.speedUp) * 1000), new Date(nowMs), timeZone)
		: undefined;
	return (
		<>
			<section aria-label="Curve" className="scroll-y flex flex-col gap-3 px-5 py-3">
				<div className="flex items-baseline justify-between gap-4">
					<h1>
						<span className="figure">{firing.number}</span> · {kiln.name}
						{firing.what && <span className="text-soft">, {firing.what}</span>}
						{firing.lots.length > 0 && (
							<span className="block text-base font-normal text-soft">
								{firing.pieces.length > 0 && "in the corners: "}
								{firing.lots
									.map(
										({ count, name, sizeMm }) =>
											`${count} × ${name}${sizeMm === null ? "" : `, ${figure({ mm: sizeMm })}`}`,
									)
									.join("; ")}
							</span>
						)}
					</h1>
					<p className="text-right text-soft">
						{firing.scheduleName && <span className="block">{firing.scheduleName}</span>}
						{started ? `started ${dayAndClock(started, timeZone)}` : "not started"}
						{firing.speedUp > 1 && <b className="block text-accent">the stand-in’s clock runs ×{firing.speedUp}</b>}
					</p>
				</div>
				<FlowBands
					flow={flow}
					level={firing.level}
					soFar={measured.length > 1 ? readings?.flowSoFar : undefined}
					zones={heatPlaces(kiln, shelves).map(({ name }, i) => ({ name, flow: shown?.zoneFlow[i] ?? 0 }))}
					other={other}
				/>
				<OtherHalf other={other} left={firing.family.label} />
				<FiringChart
					width={690}
					height={250}
					series={series}
					nowS={nowS}
					openS={rest?.openS ?? firing.openS}
					bands={phaseBands(firing.schedule, kiln.body)}
					strips={shown ? strips(shown, units.temperature) : []}
					zoomable
					clockOf={clockOf}
					summary={`Firing ${firing.number}: plan, simulated kiln and glass, measured kiln air`}
				/>
				<SimulationWords firing={firing} planned={planned} />
			</section>
			<section aria-label="Do" className="scroll-y border-l border-line px-5 py-3">
				<Opening firing={firing} readings={readings} openS={rest?.openS} endS={rest?.endS} />
				{firing.state === "running" && readings && <RunPanel firing={firing} readings={readings} frame={frame} />}
				<details className="my-3" open={firing.state === "planned"}>
					<summary className="cursor-pointer font-semibold text-soft">
						Schedule, {firing.schedule.segments.length} segments
					</summary>
					<SegmentList
						schedule={firing.schedule}
						setBy={firing.setBy}
						airMin={firing.airMin}
						pieces={firing.pieces}
						at={firing.state === "running" ? readings?.latest?.segment : undefined}
					/>
					{firing.state === "planned" && frame.person.role === "instructor" && (
						<a className="btn btn-sm mt-2" href={`/fire/schedule?firing=${firing.id}`}>
							Change it on the bench
						</a>
					)}
				</details>
				<Short firing={firing} />
				{firing.state === "planned" && <StartForm firing={firing} />}
				{firing.state === "running" && (
					<a className="btn w-full" href="/open">
						To opening and judging
					</a>
				)}
				<div className="mt-4 flex flex-col gap-2">
					<Caution>
						A number on a screen protects nothing, nor does an alarm. An independent over-temperature cut-out does.
					</Caution>
					<Caution>
						Looking into a hot kiln: infrared eyewear, gloves, long sleeves, seconds only. Ventilate while glue and
						paper burn off.
					</Caution>
					<OwnCautions station="fire" />
				</div>
			</section>
		</>
	);
}

/** Of a firing of two families the one on the right half, and how far the schedule takes it. */
const onTheRight = ({ otherFamily: its, schedule, kiln }: FiringCard) =>
	its ? { name: its.label, flow: planFlow(schedule, viscosityOf(its), kiln.body) } : undefined;

/** How far the glass on the right half comes: above are bands and simulation of the family on the left. */
function OtherHalf({ other, left }: { other: ReturnType<typeof onTheRight>; left: string }) {
	if (!other) return null;
	const { name, flow } = other;
	const { level } = levelOf(flow);
	return (
		<p className="text-soft">
			Above: {left}, on the left half. On the right, dashed, <b>{name}</b>:{" "}
			{level ? LEVEL_WORDS[level] : "nothing lasting"}, flow index <b className="figure">{flow.toFixed(2)}</b>
		</p>
	);
}

/** Plan, simulation, prediction and measurement, as far as they are known. */
function linesOf(
	{ schedule, kiln }: FiringCard,
	planned: Simulation | undefined,
	rest: Simulation | undefined,
	points: readonly MeasuredPoint[],
): CurveSeries[] {
	const lastS = points.findLast(({ c }) => c !== null)?.s ?? 0;
	const predicted = rest ? seriesOf(rest, "airC").filter(({ s }) => s >= lastS) : [];
	const simulated = planned ? seriesOf(planned, "airC") : [];
	const glass = rest ?? planned;
	const lines: CurveSeries[] = [
		{ name: "plan", points: curveOf(schedule, kiln.body), kind: "plan" },
		{ name: "kiln, simulated", points: simulated, kind: "simulated" },
		{ name: "glass core", points: glass ? seriesOf(glass, "coreC") : [], kind: "core" },
		{ name: "kiln, predicted", points: predicted, kind: "predicted" },
		{ name: "kiln, measured", points, kind: "measured" },
	];
	return lines.filter((one) => one.points.length > 1);
}

/** Pieces that ask for more than the schedule gives: what is known of them changed after it was made. */
const Short = ({ firing: { short, state } }: { firing: FiringCard }) =>
	short.map(({ id, neededMin, heldMin, soaksTooShort, heatsTooFast }) => (
		<p key={id} className="my-2 border-l-4 border-warning bg-pick px-3 py-2">
			By what is known of <b className="figure">{id}</b> now{" "}
			{soaksTooShort && (
				<>
					it needs {formatMinutes(neededMin)} of soak, and this schedule holds {formatMinutes(heldMin)}.{" "}
				</>
			)}
			{heatsTooFast && "it is heated faster than it bears. "}
			{state === "planned" ? "Change it first." : soaksTooShort ? "Hold it longer there, if the controller can." : ""}
		</p>
	));

/** The number of the page: when it may be opened; below it, when the controller is done. */
function Opening(props: {
	firing: FiringCard;
	readings: ReadingsView | undefined;
	openS: number | undefined;
	endS: number | undefined;
}) {
	const { firing, readings, openS, endS } = props;
	const { timeZone } = usePrefs();
	const nowMs = useNow();
	const started = firing.startedAt ? Date.parse(firing.startedAt) : null;
	const clock = (s: number) =>
		clockNear(new Date((started ?? 0) + (s / firing.speedUp) * 1000), new Date(nowMs), timeZone);
	if (firing.state === "opened")
		return (
			<p>
				<span className="text-soft">opened</span>
				<b className="figure block text-3xl">{firing.note ? "early" : "when it was cool"}</b>
				{firing.note && <span>{firing.note}</span>}
			</p>
		);
	const known = openS ?? firing.predictedOpenS ?? firing.openS;
	const later = known - firing.openS;
	return (
		<div className="flex items-end justify-between gap-3">
			<p>
				<span className="text-soft">{started ? "open not before" : "open after the start"}</span>
				<b className="figure block text-4xl tracking-tight">{started ? clock(known) : formatMinutes(known / 60)}</b>
				{started !== null && firing.state === "running" && (
					<span className="text-soft">
						controller done {clock(endS ?? firing.predictedEndS ?? known)}
						{Math.abs(later) > 300 && (
							<b className="block text-base-content">
								{formatMinutes(Math.abs(later) / 60)} {later > 0 ? "later" : "sooner"} than planned
							</b>
						)}
					</span>
				)}
			</p>
			{readings?.kilnHeat && (
				<div className="text-right">
					<span className="text-soft">kiln air now</span>
					<KilnHeatFigure heat={readings.kilnHeat} className="text-3xl" soft="text-soft" />
				</div>
			)}
		</div>
	);
}

function SimulationWords({ firing, planned }: { firing: FiringCard; planned: ReturnType<typeof useSimulation> }) {
	const figure = useFigure();
	if (!planned) return <p className="text-soft">Simulating …</p>;
	const { simulation, ms } = planned;
	const { heatingStressPa, coolingStressPa, frozenStressPa, shockMargin } = simulation;
	return (
		<p className="text-soft">
			<b className="text-base-content">
				Shock margin {Number.isFinite(shockMargin) ? `×${shockMargin.toFixed(1)}` : "whole"}
			</b>{" "}
			on the way up ({megapascals(heatingStressPa)} MPa), {megapascals(coolingStressPa)} MPa on the way down,{" "}
			{megapascals(frozenStressPa)} MPa stays in it. {simulation.kwh.toFixed(1)} kWh. Thickest glass{" "}
			{figure({ mm: firing.heat.thicknessMm })}
			{firing.heat.onMould && ", on moulds, which cool later"}. Simulated in {ms.toFixed(0)} ms. It cannot know how
			uneven this kiln is beyond its zones, a lid that is lifted, or how the colour of the glass takes up heat.
		</p>
	);
}
