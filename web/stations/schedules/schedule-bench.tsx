import { scheduleDocument } from "@contract/documents/schedule";
import type { ScheduleView } from "@contract/schedules";
import { checkSchedule } from "@core/firing/check-schedule";
import { rebuilt, type ScheduleDocument } from "@core/firing/document";
import { effectOf } from "@core/firing/effect";
import { planFlow } from "@core/firing/plan-flow";
import { curveOf } from "@core/firing/schedule";
import { solvePeak } from "@core/firing/solve";
import { FAMILY_90 } from "@core/glass/family";
import { inUse } from "@core/glass/glass";
import { viscosityOf } from "@core/glass/viscosity";
import { seriesOf } from "@core/kiln/simulate";
import { useMemo, useState } from "react";
import { ChoiceField } from "../../forms/fields";
import { Caution } from "../../forms/notice";
import { help } from "../../help/schedule";
import { useFigure, usePrefs } from "../../lib/prefs";
import { FiringChart } from "../../ui/firing-chart/firing-chart";
import { Handles } from "../../ui/firing-chart/handles";
import { framed, type StationProps } from "../../ui/frame/framed";
import { createDraft, useDocument, useSteps } from "../../ui/kept/draft";
import { History } from "../../ui/kept/history";
import { useKept } from "../../ui/kept/use-kept";
import { SeverityMark } from "../../ui/signs";
import { Tabs } from "../../ui/tabs";
import { FireNav } from "../firings/fire-nav";
import { FlowBands } from "../firings/flow-bands";
import { phaseBands } from "../firings/phase-bands";
import { simulationOf } from "../firings/simulation-of";
import { strips } from "../firings/strips";
import { useSimulation } from "../firings/use-simulation";
import { Compare } from "./compare";
import { handlesOf } from "./handles";
import { Keep } from "./keep";
import { KeptList } from "./kept-list";
import { MadeFor } from "./made-for";
import { OpenFrom } from "./open-from";
import { Outcome } from "./outcome";
import { SegmentTable } from "./segment-table";
import { SolveBox } from "./solve-box";
import { Warnings } from "./warnings";

export default framed("schedule", "fire", help, ScheduleStation);

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
	const [store] = useState(() => createDraft(view.document, () => ({})));
	const document = useDocument(store);
	const { edit } = store.getState();
	const [tab, setTab] = useState<Tab>("segments");
	const [kilnId, setKilnId] = useState(view.kilnId ?? "");
	const [chosen, setChosen] = useState<number | null>(null);
	const [otherId, setOtherId] = useState("");
	const mayKeep = frame.person.role === "instructor";
	const [scheduleId] = useState(() => view.schedule?.id ?? crypto.randomUUID());
	const kept = useKept({
		store,
		action: "saveSchedule",
		input: (kept, revision) => ({ scheduleId, revision, document: kept }),
		kept: { revision: view.schedule?.revision ?? 0, document: view.schedule?.document ?? null },
		schema: scheduleDocument,
		mayKeep,
		done: () => view.schedule || history.replaceState(null, "", `?id=${scheduleId}`),
	});
	const figure = useFigure();
	const { units } = usePrefs();
	const kiln = view.kilns.find(({ id }) => id === kilnId);
	const family = view.families.find(({ id }) => id === document.familyId) ?? FAMILY_90;
	const warnings = useMemo(
		() => checkSchedule(document, family, kiln?.body, kiln && { maxC: kiln.maxC, maxSegments: kiln.maxSegments }),
		[document, family, kiln],
	);
	const flow = planFlow(document, viscosityOf(family), kiln?.body);
	const simulated = useSimulation(kiln ? simulationOf(kiln, document, family, heatOf(document, view)) : null);
	const others = othersOf(view);
	const other = others.find(({ id }) => id === otherId);
	const otherFamily = view.families.find(({ id }) => id === other?.document.familyId) ?? family;
	const otherSimulated = useSimulation(
		kiln && other ? simulationOf(kiln, other.document, otherFamily, heatOf(other.document, view)) : null,
	);
	const rebuild = (change: Partial<ScheduleDocument>) =>
		edit((now) => {
			const next = { ...now, ...change };
			const its = view.families.find(({ id }) => id === next.familyId) ?? family;
			return { ...next, segments: rebuilt(next, its, kiln?.body) ?? next.segments };
		});
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
				<History {...useSteps(store)} />
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
						strips={shown ? strips(shown, units.temperature) : []}
						over={(on) => (
							<Handles
								handles={handlesOf(document, kiln?.body, edit, (c) => figure({ c }), { chosen, onChoose: setChosen })}
								{...on}
							/>
						)}
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
						{tab === "madeFor" && (
							<MadeFor
								view={view}
								document={document}
								family={family}
								kiln={kiln?.body}
								onEdit={edit}
								onRebuild={rebuild}
							/>
						)}
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
								instructor={mayKeep}
								kept={kept}
								scheduleId={scheduleId}
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
		...inUse(view.others).map(({ id, document }) => ({ id, name: document.name, document })),
	];
}

/** What lies in the kiln: of the planned firing, or as the schedule was made for. */
const heatOf = ({ pieces, mouldMaxC }: ScheduleDocument, { firing }: ScheduleView) =>
	firing?.heat ?? {
		thicknessMm: Math.max(...pieces.map(({ thickestMm }) => thickestMm)),
		onMould: mouldMaxC !== null,
	};
