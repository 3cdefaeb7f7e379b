import type { KitView } from "@contract/kits";
import { byId } from "@core/by-id";
import { glassCostOf } from "@core/cost/glass-cost";
import { type Glass, isStriker } from "@core/glass/glass";
import { applyChanges } from "@core/kit/change";
import { assemblyFiring, cutsOf, glassIdOf, type KitDesign } from "@core/kit/kit";
import type { Finding, Mend } from "@core/stack/finding";
import type { KitReading } from "@core/stack/read-kit";
import type { KitSurvey } from "@core/stack/survey";
import { memo, useMemo } from "react";
import { formatMoney } from "../../../lib/money";
import { useFigure } from "../../../lib/prefs";
import { FindingsList } from "../../../ui/findings-list";
import { OwnCautions } from "../../../ui/own-cautions";
import { useDraft } from "../draft";
import { StressLegend, ThicknessLegend } from "../plan/plan-layers";

interface Props {
	view: KitView;
	reading: KitReading;
	survey: KitSurvey | undefined;
	design: KitDesign;
	mayEdit: boolean;
	/** The plan shows the stress map: so does the legend. */
	stressShown?: boolean;
	onLook(finding: Finding | undefined): void;
}

/** Figures of the stack, what it costs, and everything the kiln will do to it. */
export const TellPanel = memo(function TellPanel({
	view,
	reading,
	survey,
	design,
	mayEdit,
	stressShown = false,
	onLook,
}: Props) {
	const opened = useDraft((draft) => draft.opened);
	const edit = useDraft((draft) => draft.edit);
	const choose = useDraft((draft) => draft.choose);
	const { findings } = reading;
	if (reading.areaMm2 === 0)
		return (
			<p className="text-soft">
				Thickness, weight, hours and everything the kiln will do to it are told here as soon as a first piece of glass
				lies on the bench.
			</p>
		);
	const toMend = findings.filter(({ severity }) => severity !== "know").length;
	const fix = (_: Finding, { changes }: Mend) => {
		edit((before) => applyChanges(before, changes));
		choose(changes.flatMap((change) => (change.do === "add" ? [change.part.id] : [])));
	};
	return (
		<>
			<Figures view={view} reading={reading} survey={survey} design={design} />
			{survey && survey.patches.length > 0 && (
				<div className="mt-3">
					<h2 className="mb-1">{stressShown ? "Stress" : "Thickness"}</h2>
					{stressShown ? <StressLegend stress={survey.stress} /> : <ThicknessLegend patches={survey.patches} />}
				</div>
			)}
			<h2 className="mt-4 mb-1 flex justify-between">
				{survey && survey.reading.firing !== assemblyFiring(design)
					? `In firing ${survey.reading.firing + 1}`
					: "Before it is cut"}
				<span className="figure">
					{toMend} to mend, {findings.length - toMend} to know
				</span>
			</h2>
			<FindingsList
				findings={findings}
				onFix={mayEdit && opened === undefined ? fix : undefined}
				onLook={onLook}
				glassesOf={({ code, partIds }) => (code === "striker" ? strikersAmong(design, partIds, view.glasses) : [])}
				samplesFor={(finding) => samplesFor(finding, design, view)}
			/>
		</>
	);
});

const glassesAmong = (design: KitDesign, partIds: readonly string[]): Set<string> => {
	const parts = design.parts.filter(({ id }) => partIds.includes(id));
	return new Set(cutsOf({ ...design, parts }).flatMap((part) => glassIdOf(part) ?? []));
};

/** Samples that show the same, made of the glass it is about; clear sheet alone is no likeness. */
function samplesFor({ code, partIds }: Finding, design: KitDesign, { samples, glasses }: KitView) {
	const clear = new Set(glasses.filter(({ opacity }) => opacity === "clear").map(({ id }) => id));
	const about = [...glassesAmong(design, partIds)].filter((id) => !clear.has(id));
	return samples.filter(
		({ shows, glassIds }) => shows.includes(code) && (about.length === 0 || about.some((id) => glassIds.includes(id))),
	);
}

/** The strikers among some parts, those of components too. */
function strikersAmong(design: KitDesign, partIds: readonly string[], glasses: readonly Glass[]): Glass[] {
	const used = glassesAmong(design, partIds);
	return glasses.filter((glass) => used.has(glass.id) && isStriker(glass));
}

function Figures({ view, reading, survey, design }: Omit<Props, "onLook" | "mayEdit">) {
	const figure = useFigure();
	const cost = useMemo(() => glassCostOf(design, byId(view.glasses)), [design, view.glasses]);
	const firing = survey?.firings.find((one) => one.firing === reading.firing);
	const money =
		view.currency === null
			? []
			: [
					[
						formatMoney(cost.totalMinor, view.currency),
						cost.unpriced.length > 0 ? `glass, ${cost.unpriced.length} unpriced` : "glass a kit",
					],
				];
	const cells: string[][] = [
		[figure({ mm: reading.thickestMm }), "thickest"],
		[figure({ mm: reading.effectiveMm }), "anneals as"],
		[figure({ min: (reading.effectiveMm / 6) * 60 }), "of soak"],
		[figure({ mm: reading.thinnestMm }), "thinnest"],
		[figure({ g: reading.massG }), "glass"],
		[firing ? `${Math.round(firing.hours)} h` : "…", "programme"],
		[figure({ mm2: reading.areaMm2 }), "area"],
		...money,
	];
	return (
		<>
			<p className="figure text-2xl font-bold" data-testid="stack-code">
				{reading.stackCode}
			</p>
			<dl className="mt-2 grid grid-cols-3 gap-x-2 gap-y-1.5">
				{cells.map(([value, label]) => (
					<div key={label} className="flex flex-col-reverse">
						<dt className="text-[13px] text-soft">{label}</dt>
						<dd className="figure text-lg leading-tight font-bold">{value}</dd>
					</div>
				))}
			</dl>
			<HangWords reading={reading} />
			<OwnCautions station="kits" />
		</>
	);
}

function HangWords({ reading }: { reading: KitReading }) {
	const figure = useFigure();
	const { hang } = reading;
	if (hang.loops === 0) return null;
	const tilt = figure({ deg: Math.abs(hang.tiltDeg) });
	return (
		<p className="mt-2">
			Hangs{" "}
			{Math.abs(hang.tiltDeg) < 0.05 ? (
				<b>straight</b>
			) : (
				<>
					<b className="figure">{tilt}</b> off plumb
				</>
			)}
			{hang.loops === 2 && ` on two loops, ${hang.shares.map((share) => `${Math.round(share * 100)} %`).join(" and ")}`}
			.
		</p>
	);
}
