import type { KilnCard, ScheduleView } from "@contract/views";
import { checkSchedule } from "@core/firing/check-schedule";
import { rebuilt, type ScheduleDocument } from "@core/firing/document";
import { effectOf } from "@core/firing/effect";
import { LEVEL_BANDS, LEVEL_WORDS } from "@core/firing/level";
import { planFlow } from "@core/firing/plan-flow";
import { curveOf } from "@core/firing/schedule";
import { solvePeak } from "@core/firing/solve";
import { FAMILY_90, type GlassFamily } from "@core/glass/family";
import { viscosityOf } from "@core/glass/viscosity";
import { type SimulationInput, seriesOf } from "@core/kiln/simulate";
import { formatMinutes } from "@core/units/duration";
import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { useFigure } from "../../../lib/prefs";
import { ChoiceField } from "../../../ui/fields";
import { FiringChart } from "../../../ui/firing-chart/firing-chart";
import { framed, type StationProps } from "../../../ui/framed";
import { Caution } from "../../../ui/notice";
import { LevelGlyph, SeverityMark } from "../../../ui/signs";
import { Tabs } from "../../../ui/tabs";
import { FireNav } from "../fire-nav";
import { FlowBands } from "../flow-bands";
import { phaseBands } from "../phase-bands";
import { strips } from "../strips";
import { useSimulation } from "../use-simulation";
import { Compare } from "./compare";
import { createScheduleDraft, useDocument, useSteps } from "./draft";
import { handlesOf } from "./handles";
import { Keep, type Kept } from "./keep";
import { MadeFor } from "./made-for";
import { OpenFrom } from "./open-from";
import { SegmentTable } from "./segment-table";
import { SolveBox } from "./solve-box";
import { Warnings } from "./warnings";

export default framed("schedule", "fire", ScheduleStation, [
	["Ctrl Z", "undo"],
	["Ctrl Shift Z", "redo"],
	["arrows on a point", "move it by 1 degree or 5 min; with Shift by 10 degrees"],
]);

type Tab = "segments" | "madeFor" | "compare" | "keep";
const TABS = [
	{ value: "segments" as const, label: "Segments" },
	{ value: "madeFor" as const, label: "Made for" },
	{ value: "compare" as const, label: "Compare" },
	{ value: "keep" as const, label: "Keep and fire" },
];

function ScheduleStation(props: StationProps<"schedule">) {
	const { view } = props;
	// Another schedule is another bench: its own draft and its own history.
	return <Bench key={view.schedule?.id ?? view.from} {...props} />;
}

/** The schedule bench: what the glass becomes comes first, the curve serves it. */
function Bench({ view, frame }: StationProps<"schedule">) {
	const [store] = useState(() => createScheduleDraft(view.document));
	const document = useDocument(store);
	const { canUndo, canRedo, undo, redo } = useSteps(store);
	const { edit } = store.getState();
	const [tab, setTab] = useState<Tab>("segments");
	const [kilnId, setKilnId] = useState(view.kilnId ?? "");
	const [chosen, setChosen] = useState<number | null>(null);
	const [otherId, setOtherId] = useState("");
	const [kept, setKept] = useState<Kept>(() => ({
		id: view.schedule?.id ?? crypto.randomUUID(),
		revision: view.schedule?.revision ?? 0,
		document: view.schedule?.document ?? null,
	}));
	const figure = useFigure();
	const kiln = view.kilns.find(({ id }) => id === kilnId);
	const family = view.families.find(({ id }) => id === document.familyId) ?? FAMILY_90;
	const warnings = useMemo(
		() => checkSchedule(document, family, kiln?.body, kiln && { maxC: kiln.maxC, maxSegments: kiln.maxSegments }),
		[document, family, kiln],
	);
	const flow = planFlow(document, viscosityOf(family), kiln?.body);
	const simulated = useSimulation(kiln ? inputOf(document, family, kiln, view.firing?.heat) : null);
	const others = othersOf(view);
	const other = others.find(({ id }) => id === otherId);
	const otherFamily = view.families.find(({ id }) => id === other?.document.familyId) ?? family;
	const otherSimulated = useSimulation(
		kiln && other ? inputOf(other.document, otherFamily, kiln, view.firing?.heat) : null,
	);
	const rebuild = (change: Partial<ScheduleDocument>) =>
		edit((now) => {
			const next = { ...now, ...change };
			const its = view.families.find(({ id }) => id === next.familyId) ?? family;
			return { ...next, segments: rebuilt(next, its, kiln?.body) ?? next.segments };
		});
	useUndoKeys(undo, redo);
	const shown = simulated?.simulation;
	const toMend = warnings.filter(({ severity }) => severity !== "know").length;
	return (
		<div className="flex h-full min-h-0 flex-col">
			<FireNav here="/fire/schedule">
				<select
					className="select select-sm h-9 max-lg:h-11"
					aria-label="Kiln it is drawn for"
					value={kilnId}
					onChange={(event) => setKilnId(event.target.value)}
				>
					{view.kilns.map(({ id, name }) => (
						<option key={id} value={id}>
							in the {name}
						</option>
					))}
				</select>
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square max-lg:size-11"
					aria-label="Undo"
					disabled={!canUndo}
					onClick={undo}
				>
					<Undo2 size={16} />
				</button>
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square max-lg:size-11"
					aria-label="Redo"
					disabled={!canRedo}
					onClick={redo}
				>
					<Redo2 size={16} />
				</button>
			</FireNav>
			<div className="grid min-h-0 grow grid-cols-[200px_minmax(0,1fr)_350px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="Schedules" className="scroll-y border-r border-line py-3">
					<KeptList view={view} />
					<OpenFrom />
				</section>
				<section aria-label="Curve" className="scroll-y flex flex-col gap-3 px-5 py-3">
					<div className="flex items-baseline justify-between gap-4">
						<h1 className="min-w-0 grow">
							<input
								className="w-full truncate bg-transparent font-bold focus-visible:bg-base-100"
								aria-label="Name of the schedule"
								value={document.name}
								onChange={(event) => edit((now) => ({ ...now, name: event.target.value }), "name")}
							/>
						</h1>
						<p className="text-right whitespace-nowrap text-soft">{originOf(view)}</p>
					</div>
					<FlowBands
						flow={flow}
						level={document.level}
						zones={kiln?.zones.map(({ name }, i) => ({ name, flow: shown?.zoneFlow[i] ?? 0 })) ?? []}
						other={other && { name: other.name, flow: planFlow(other.document, viscosityOf(otherFamily), kiln?.body) }}
						onAim={(aim) =>
							edit((now) => ({ ...now, aim, segments: solvePeak(now.segments, family, kiln?.body, { aim }).segments }))
						}
					/>
					<FiringChart
						width={690}
						height={236}
						series={[
							{ name: "plan", points: curveOf(document, kiln?.body), kind: "plan" },
							...(other
								? [{ name: other.name, points: curveOf(other.document, kiln?.body), kind: "other" as const }]
								: []),
							...(shown
								? [
										{ name: "kiln", points: seriesOf(shown, "airC"), kind: "simulated" as const },
										{ name: "glass top", points: seriesOf(shown, "topC"), kind: "top" as const },
										{ name: "glass core", points: seriesOf(shown, "coreC"), kind: "core" as const },
										{ name: "shelf", points: seriesOf(shown, "shelfC"), kind: "shelf" as const },
									]
								: []),
						]}
						openS={shown?.openS}
						bands={phaseBands(document, kiln?.body)}
						strips={shown ? strips(shown) : []}
						handles={handlesOf(document, kiln?.body, edit, (c) => figure({ c }), { chosen, onChoose: setChosen })}
						zoomable
						summary={`${document.name}: set point, simulated kiln, glass and shelf`}
					/>
					<Outcome simulated={simulated} kiln={kiln} />
				</section>
				<section aria-label="Schedule" className="flex min-h-0 flex-col border-l border-line">
					<Tabs<Tab>
						label="Schedule"
						small
						className="gap-4 border-b border-line px-4"
						tabs={TABS}
						open={tab}
						onOpen={setTab}
					/>
					<div className="scroll-y min-h-0 grow px-4 py-3">
						{tab === "segments" && (
							<div className="flex flex-col gap-3">
								<SegmentTable
									document={document}
									warnings={warnings}
									chosen={chosen}
									onChoose={setChosen}
									onEdit={edit}
								/>
								<div className="flex items-center justify-between gap-2">
									<p>
										{toMend > 0 ? (
											<>
												<SeverityMark severity={warnings[0]?.severity ?? "fix"} /> {toMend} to mend
											</>
										) : (
											<span className="text-soft">as it would be built</span>
										)}
									</p>
									<button type="button" className="btn btn-sm max-lg:h-11" onClick={() => rebuild({})}>
										Build it anew
									</button>
								</div>
								<Warnings warnings={warnings} onFix={(segments) => edit((now) => ({ ...now, segments }))} />
								<SolveBox
									document={document}
									family={family}
									kiln={kiln?.body}
									others={others.map(({ id, name, document: one }) => ({
										id,
										name,
										flow: planFlow(
											one,
											viscosityOf(view.families.find((its) => its.id === one.familyId) ?? family),
											kiln?.body,
										),
									}))}
									onSolved={(segments, aim) => edit((now) => ({ ...now, segments, aim }))}
								/>
								<Caution>The glass maker’s sheet and the kiln’s manual go before anything computed here.</Caution>
							</div>
						)}
						{tab === "madeFor" && <MadeFor view={view} document={document} onEdit={edit} onRebuild={rebuild} />}
						{tab === "compare" && (
							<div className="flex flex-col gap-3">
								<ChoiceField<string>
									compact
									label="Compare with"
									value={otherId}
									options={[
										{ value: "", label: "nothing" },
										...others.map(({ id, name }) => ({ value: id, label: name })),
									]}
									onChange={setOtherId}
								/>
								{kiln && other && simulated && otherSimulated ? (
									<Compare
										mine={effectOf(document, kiln.body, view.families, simulated.simulation)}
										other={{
											name: other.name,
											effect: effectOf(other.document, kiln.body, view.families, otherSimulated.simulation),
										}}
									/>
								) : (
									<p className="text-soft">
										Two curves can look alike and differ in what they do, or look different and do the same. Choose one
										to see both on one axis and what differs in effect.
									</p>
								)}
							</div>
						)}
						{tab === "keep" && (
							<Keep
								view={view}
								document={document}
								kiln={kiln}
								instructor={frame.person.role === "instructor"}
								kept={kept}
								onKept={setKept}
								onImport={(segments) => edit((now) => ({ ...now, segments }))}
								onDocument={(imported) => edit(() => imported)}
							/>
						)}
					</div>
				</section>
			</div>
		</div>
	);
}

const inputOf = (
	document: ScheduleDocument,
	family: GlassFamily,
	kiln: KilnCard,
	heat: { thicknessMm: number; loadJPerK: number; onMould: boolean } | undefined,
): SimulationInput => ({
	kiln: kiln.body,
	schedule: { segments: document.segments },
	family,
	thicknessMm: Math.max(...document.pieces.map(({ thickestMm }) => thickestMm)),
	onMould: document.mouldMaxC !== null,
	zones: kiln.zones.map(({ name, offsetK }) => ({ name, offsetK })),
	...heat,
});

function useUndoKeys(undo: () => void, redo: () => void): void {
	useEffect(() => {
		const onKey = (event: KeyboardEvent) => {
			if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
			if ((event.target as Element).closest("input, textarea")) return;
			event.preventDefault();
			if (event.shiftKey) redo();
			else undo();
		};
		addEventListener("keydown", onKey);
		return () => removeEventListener("keydown", onKey);
	});
}

/** Where a schedule came from, in words. */
function originOf({ firing, from }: ScheduleView): string {
	if (firing) return `for firing ${firing.number}`;
	if (from === "kept") return "kept";
	return from === "by hand" ? "made by hand" : `made for ${from}`;
}

/** Other kept schedules, and this one as it was kept and fired. */
function othersOf(view: ScheduleView): { id: string; name: string; document: ScheduleDocument }[] {
	const kept = view.schedule;
	return [
		{ id: "as opened", name: "as it was opened", document: view.document },
		...(kept?.versions.map(({ version, document }) => ({ id: `v${version}`, name: `version ${version}`, document })) ??
			[]),
		...view.others.map(({ id, document }) => ({ id, name: document.name, document })),
	];
}

function KeptList({ view }: { view: ScheduleView }) {
	const all = [
		...view.others,
		...(view.schedule ? [{ id: view.schedule.id, document: view.schedule.document }] : []),
	].sort((a, b) => a.document.name.localeCompare(b.document.name));
	return (
		<ul>
			{all.map(({ id, document }) => (
				<li key={id} className="border-b border-line">
					<a
						href={`/fire/schedule?id=${id}`}
						aria-current={id === view.schedule?.id ? "page" : undefined}
						className={`flex min-h-12 items-center gap-3 px-4 py-1.5 ${id === view.schedule?.id ? "bg-pick" : "hover:bg-base-100"}`}
					>
						<LevelGlyph level={document.level} label={false} />
						<span className="min-w-0">
							<b className="block truncate">{document.name}</b>
							<span className="text-soft">
								{LEVEL_WORDS[document.level]}, {document.familyId}
							</span>
						</span>
					</a>
				</li>
			))}
		</ul>
	);
}

/** What the simulation says, the number that matters first, and what it cannot know. */
function Outcome({ simulated, kiln }: { simulated: ReturnType<typeof useSimulation>; kiln: KilnCard | undefined }) {
	if (!kiln) return <p className="text-soft">Choose a kiln: what the glass goes through depends on it.</p>;
	if (!simulated) return <p className="text-soft">Simulating …</p>;
	const { simulation, ms } = simulated;
	const { shockMargin, heatingStressPa, coolingStressPa, frozenStressPa, openS, endS, kwh, stuckAt, zoneFlow } =
		simulation;
	const mpa = (pa: number) => (pa / 1e6).toFixed(1);
	const numbers = [
		["may be opened after", formatMinutes(openS / 60)],
		["controller done after", formatMinutes(endS / 60)],
		["shock margin", Number.isFinite(shockMargin) ? `×${shockMargin.toFixed(1)}` : "whole"],
		["tension up / down", `${mpa(heatingStressPa)} / ${mpa(coolingStressPa)} MPa`],
		["stays in it", `${mpa(frozenStressPa)} MPa`],
		["energy", `${kwh.toFixed(1)} kWh`],
	];
	return (
		<div>
			{stuckAt !== undefined && (
				<p className="font-semibold text-error">
					Segment {stuckAt + 1} is never reached: this kiln has not the power. It is drawn up to there.
				</p>
			)}
			<dl className="flex flex-wrap gap-x-6 gap-y-1">
				{numbers.map(([label, value], i) => (
					<div key={label}>
						<dt className="text-soft">{label}</dt>
						<dd className={`figure font-bold ${i === 0 ? "text-xl" : "text-base"}`}>{value}</dd>
					</div>
				))}
			</dl>
			{kiln.zones.length > 0 && (
				<p className="mt-1 text-soft">
					{kiln.zones
						.map(
							({ name, offsetK }, i) => `${name} ${offsetK > 0 ? "+" : ""}${offsetK} K: ${levelAt(zoneFlow[i] ?? 0)}`,
						)
						.join(" · ")}
				</p>
			)}
			<p className="mt-1 text-soft">
				Simulated in {ms.toFixed(0)} ms on {kiln.name}
				{kiln.body.offsetK ? `, whose glass is ${kiln.body.offsetK} K hotter than it shows` : ""}. It cannot know uneven
				heat beyond the zones, a lid that is lifted, or how dark glass takes up heat.
			</p>
		</div>
	);
}

function levelAt(flow: number): string {
	const level = (Object.keys(LEVEL_BANDS) as (keyof typeof LEVEL_BANDS)[]).find(
		(one) => one !== "firePolish" && flow >= LEVEL_BANDS[one].from && flow < LEVEL_BANDS[one].to,
	);
	return `${level ? LEVEL_WORDS[level] : "nothing lasting"}, ${flow.toFixed(2)}`;
}
