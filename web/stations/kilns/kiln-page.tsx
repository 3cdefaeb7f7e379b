import type { KilnView } from "@contract/kilns";
import { LEVEL_WORDS } from "@core/firing/level";
import { timeConstantS } from "@core/kiln/kiln";
import { counted } from "@core/units/counted";
import { formatMinutes } from "@core/units/duration";
import { dayAndClock } from "@formats/time";
import { lazy, Suspense, useEffect, useState } from "react";
import { Caution, Trouble } from "../../forms/notice";
import { help } from "../../help/kiln";
import { useAct } from "../../lib/api";
import { useFigure, usePrefs } from "../../lib/prefs";
import { useToday } from "../../lib/use-today";
import { framed, type StationProps } from "../../ui/frame/framed";
import { PutAway } from "../../ui/put-away";
import { LevelGlyph } from "../../ui/signs";
import { Tabs } from "../../ui/tabs";
import { FireNav } from "../firings/fire-nav";
import { KilnFormPanel } from "./kiln-form";
import { Learn } from "./learn";
import { LineForm } from "./line-form";
import { OffsetPanel } from "./offset-panel";
import { OutOfServicePanel } from "./out-of-service-panel";
import { RecordChart } from "./record-chart";
import { ShelfOutline } from "./shelf-outline";
import { UpkeepLine } from "./upkeep-line";

const RecorderPanel = lazy(() => import("./recorder-panel"));

export default framed("kiln", "fire", help, KilnPage);

type Tab = "record" | "learn" | "kiln" | "line";
const TABS = [
	{ value: "record" as const, label: "Record" },
	{ value: "learn" as const, label: "Learn" },
	{ value: "kiln" as const, label: "Kiln and shelf" },
	{ value: "line" as const, label: "Line" },
];

/** A kiln's page is its record: every firing, what was expected, what came, and what that taught. */
function KilnPage(props: StationProps<"kiln">) {
	const { view, frame, params } = props;
	const asked = TABS.find(({ value }) => value === params.tab)?.value;
	const [tab, setTab] = useState<Tab>(asked ?? (view.form.kind === "electric" ? "record" : "kiln"));
	// What is loaded by itself is not drawn on the server: that takes a script in the page, which its policy forbids.
	const [shown, setShown] = useState(false);
	useEffect(() => setShown(true), []);
	const today = useToday();
	const instructor = frame.person.role === "instructor";
	const block = view.form.kind === "microwaveBlock";
	return (
		<div className="flex h-full min-h-0 flex-col">
			<FireNav here="/fire/kilns" />
			<div className="grid min-h-0 grow grid-cols-[260px_minmax(0,1fr)] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="The kiln" className="scroll-y border-r border-line px-5 py-4">
					<h1 className="mb-2">{view.form.name}</h1>
					<ShelfOutline kiln={view.card} widthPx={200} labels />
					{!block && !view.retired && <OutOfServicePanel key={view.form.id} view={view} today={today} />}
					<KilnFigures view={view} />
					<Upkeep view={view} />
					{instructor && (
						<div className="mt-4">
							<PutAway
								what="kiln"
								id={view.form.id}
								name={view.form.name}
								retired={view.retired}
								onStruck={() => location.assign("/fire/kilns")}
							/>
						</div>
					)}
					{block && (
						<a className="btn mt-3 w-full" href="/fire/microwave">
							To the block’s stepper
						</a>
					)}
				</section>
				<section aria-label="Record" className="flex min-h-0 flex-col">
					<Tabs<Tab>
						label="Kiln"
						className="gap-5 border-b border-line px-5"
						tabs={block ? TABS.filter(({ value }) => value === "kiln") : TABS}
						open={tab}
						onOpen={(next) => {
							setTab(next);
							history.replaceState(null, "", `?tab=${next}`);
						}}
					/>
					<div className="scroll-y min-h-0 grow px-5 py-4">
						{tab === "record" && (
							<div className="flex flex-col gap-4">
								{view.record && <RecordChart kilnId={view.form.id} record={view.record} />}
								<Firings view={view} />
							</div>
						)}
						{tab === "learn" && (
							<div className="flex flex-col gap-6">
								<Learn view={view} instructor={instructor} />
								<OffsetPanel view={view} instructor={instructor} />
								<Lessons view={view} />
							</div>
						)}
						{tab === "kiln" && <KilnFormPanel key={view.form.id} view={view} instructor={instructor} />}
						{tab === "line" && <LineForm key={view.form.id} view={view} instructor={instructor} />}
						{shown && tab === "line" && instructor && view.form.line?.driver === "folder" && (
							<Suspense>
								<RecorderPanel key={view.form.line.folder} view={view} />
							</Suspense>
						)}
					</div>
				</section>
			</div>
		</div>
	);
}

function KilnFigures({ view }: { view: KilnView }) {
	const figure = useFigure();
	const { clearHeightMm, upper, maxC } = view.form;
	const { body } = view.card;
	const { elements } = view.counts;
	const climb = (body.powerW / body.capacityJPerK) * 3600;
	const rows: [string, string][] = [
		["power", `${(body.powerW / 1000).toFixed(2)} kW`],
		["climbs cold", figure({ cPerH: climb })],
		["falls to half in", formatMinutes((timeConstantS(body) * Math.LN2) / 60)],
		["glass against display", figure({ signedC: body.offsetK ?? 0 })],
		["goes up to", figure({ c: maxC })],
		["clear height", figure({ mm: clearHeightMm })],
		...upper.map(({ postMm }): [string, string] => ["a shelf above, on", figure({ mm: postMm })]),
		["elements", `${elements.firings} firings, ${Math.round(elements.hours)} h`],
		["fired", `${view.uses} times`],
	];
	return (
		<dl className="mt-3">
			{rows.map(([label, value]) => (
				<div key={label} className="flex justify-between gap-2 border-t border-line py-1">
					<dt className="text-soft">{label}</dt>
					<dd className="figure font-semibold">{value}</dd>
				</div>
			))}
		</dl>
	);
}

function Upkeep({ view }: { view: KilnView }) {
	const done = useAct("doneUpkeep");
	if (view.form.kind !== "electric") return null;
	return (
		<section aria-label="Upkeep" className="mt-4">
			<h2 className="mb-1">Upkeep</h2>
			<ul className="ruled">
				{view.upkeep.map(({ what, left }) => (
					<li key={what} className="flex items-center justify-between gap-2 py-1">
						<UpkeepLine what={what} left={left} />
						<button
							type="button"
							className="btn btn-ghost btn-sm max-lg:h-11"
							disabled={done.isPending}
							onClick={() => done.mutate({ kilnId: view.form.id, what })}
						>
							done
						</button>
					</li>
				))}
			</ul>
			<Trouble error={done.error} />
			<div className="mt-2 flex flex-col gap-1.5">
				<Caution>Fibre dust harms lungs: respirator, wipe damp, never sweep dry.</Caution>
				<Caution>Elements, wiring and supply: the maker’s manual, local codes, a licensed electrician.</Caution>
			</div>
		</section>
	);
}

/** Every firing: what was expected and what came. */
function Firings({ view }: { view: KilnView }) {
	const { timeZone } = usePrefs();
	const figure = useFigure();
	if (view.firings.length === 0) return <p className="text-soft">Nothing was fired in it yet.</p>;
	return (
		<table className="w-full">
			<thead>
				<tr className="text-left text-soft">
					{["firing", "expected", "came, by what was measured", "judged", "kiln against simulation"].map((head) => (
						<th key={head} scope="col" className="pb-1 font-normal">
							{head}
						</th>
					))}
				</tr>
			</thead>
			<tbody>
				{view.firings.map(({ id, number, startedAt, state, level, what, pieces, expected, came, judged, note }) => (
					<tr key={id} className="border-t border-line align-top">
						<td className="py-1.5 pr-3">
							<a className="font-semibold underline-offset-2 hover:underline" href={`/fire?firing=${id}`}>
								<span className="figure">{number}</span> · {what || counted(pieces, "piece")}
							</a>
							<span className="block text-soft">{startedAt ? dayAndClock(startedAt, timeZone) : state}</span>
						</td>
						<td className="py-1.5 pr-3">
							<LevelGlyph level={level} />
							<span className="figure block text-soft">
								Φ {expected.flow.toFixed(2)}, {expected.kwh.toFixed(1)} kWh
							</span>
						</td>
						<td className="figure py-1.5 pr-3">
							{came ? (
								<>
									<b>Φ {came.flow.toFixed(2)}</b>, ×{(came.flow / expected.flow).toFixed(2)}
									<span className="block text-soft">
										{came.kwh === null ? "energy not read" : `${came.kwh.toFixed(1)} kWh`}
									</span>
								</>
							) : (
								<span className="text-soft">{state === "running" ? "running" : "not measured"}</span>
							)}
						</td>
						<td className="py-1.5 pr-3">
							{judged.length === 0 && <span className="text-soft">not judged</span>}
							{judged.map((one) => (
								<span key={one.level} className={`block ${one.level === level ? "" : "font-semibold text-warning"}`}>
									{one.level === "none" ? "nothing lasting" : LEVEL_WORDS[one.level]} × {one.pieces}
								</span>
							))}
							{note && <span className="block text-soft">{note}</span>}
						</td>
						<td className="figure py-1.5">
							{came?.misfit && (
								<>
									{figure({ stepC: Math.round(came.misfit.rmsK) })} apart
									<span className="block text-soft">
										at most {figure({ signedC: Math.round(came.misfit.worstK) })} at{" "}
										{formatMinutes(came.misfit.worstAtS / 60)}
									</span>
								</>
							)}
						</td>
					</tr>
				))}
			</tbody>
		</table>
	);
}

/** What was changed in its model, when, on what evidence. */
function Lessons({ view }: { view: KilnView }) {
	const { timeZone } = usePrefs();
	const figure = useFigure();
	if (view.lessons.length === 0) return null;
	return (
		<section aria-label="Lessons">
			<h2 className="mb-1">What it was taught</h2>
			<ul className="ruled">
				{view.lessons.map(({ id, at, what, before, after, by }) => (
					<li key={id} className="py-1.5">
						<b>{dayAndClock(at, timeZone)}</b> {by && `by ${by}`}:{" "}
						<span className="figure">
							{what === "offset"
								? `offset from ${figure({ signedC: before.offsetK ?? 0 })} to ${figure({ signedC: after.offsetK ?? 0 })}`
								: `power ${Math.round(before.powerW)} → ${Math.round(after.powerW)} W, loss ${before.lossWPerK.toFixed(2)} → ${after.lossWPerK.toFixed(2)} W/K, holds ${(before.capacityJPerK / 1000).toFixed(1)} → ${(after.capacityJPerK / 1000).toFixed(1)} kJ/K`}
						</span>
					</li>
				))}
			</ul>
		</section>
	);
}
