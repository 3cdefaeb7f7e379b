import { byId } from "@core/by-id";
import type { Glass } from "@core/glass/glass";
import { componentsFiring } from "@core/kit/components-firing";
import { drawnParts } from "@core/kit/drawn";
import { assemblyFiring, emptyKit, inPalette, type KitDesign } from "@core/kit/kit";
import type { Finding } from "@core/stack/finding";
import type { Cut } from "@core/stack/section";
import { useCallback, useMemo, useState } from "react";
import { help } from "../../help/kit";
import type { StationProps } from "../../ui/frame/framed";
import { framed } from "../../ui/frame/framed";
import { History } from "../../ui/kept/history";
import { useCommands } from "./commands";
import { ComponentBar } from "./component-bar";
import { createKitDraft, DraftProvider, partsOnBench, useDraft, useHistory } from "./draft";
import { EmptyBench } from "./empty-bench";
import { FiringChoice } from "./firing-choice";
import { KitName } from "./kit-name";
import { ModeBar } from "./mode-bar";
import { Panels } from "./panels/panels";
import { StackList } from "./panels/stack-list";
import { AddMenu } from "./parts/add-menu";
import { ChosenPanel } from "./parts/chosen-panel";
import { ExplodedView } from "./plan/exploded-view";
import { PlanEditor, type PlanShow } from "./plan/plan-editor";
import { boxOfDrawn } from "./plan/plan-layers";
import { SectionView } from "./plan/section-view";
import type { PlanMode } from "./plan/use-plan-drag";
import { ShowButtons } from "./show-buttons";
import { useSaving } from "./use-saving";
import { useStartFrom } from "./use-start-from";
import { useSurvey } from "./use-survey";

export default framed("kit", "kits", help, Bench);

function Bench(props: StationProps<"kit">) {
	const [draft] = useState(() => createKitDraft(props.view.kit.document));
	return (
		<DraftProvider value={draft}>
			<KitBench {...props} />
		</DraftProvider>
	);
}

/** Cuts of glass on layers: plan, stack and section to scale, and what the kiln will do to them. */
function KitBench({ view, frame }: StationProps<"kit">) {
	const { kit, glasses, families, moulds, clearHeightMm, pace } = view;
	const mayEdit = frame.person.role === "instructor";
	const design = useDraft((draft) => draft.document);
	const opened = useDraft((draft) => draft.opened);
	const edit = useDraft((draft) => draft.edit);
	const chosen = useDraft((draft) => draft.chosen);
	const choose = useDraft((draft) => draft.choose);
	const [show, setShow] = useState<PlanShow>({
		fired: true,
		thickness: false,
		stress: false,
		after: true,
		joints: false,
	});
	const [exploded, setExploded] = useState(false);
	const [mode, setMode] = useState<PlanMode>({ kind: "parts" });
	const [chosenFiring, setChosenFiring] = useState<number | undefined>();
	const [palette, setPalette] = useState<string | undefined>();
	const [looked, setLooked] = useState<Finding | undefined>();
	const [ownCut, setOwnCut] = useState<Cut | undefined>();
	const drawLine = useCallback((form: "stringer" | "ribbon") => setMode({ kind: "line", points: [], form }), []);
	const commands = useCommands(glasses, mayEdit);
	const saving = useSaving(view, mayEdit);
	useStartFrom(view.isNew);

	const glassById = useMemo(() => byId(glasses), [glasses]);
	/** Only a whole kit has firings to choose from, and only those of its route. */
	const firing =
		opened === undefined && chosenFiring !== undefined && chosenFiring < design.route.length ? chosenFiring : undefined;
	const seen = useMemo(() => inPalette(onBench(design, opened), palette), [design, opened, palette]);
	const drawn = useMemo(() => drawnParts(onShelf(seen, firing, glassById), glassById), [seen, firing, glassById]);
	const cut = useMemo(() => ownCut ?? usualCut(drawn), [ownCut, drawn]);
	const books = useMemo(
		() => ({ glasses, families, moulds, clearHeightMm, pace }),
		[glasses, families, moulds, clearHeightMm, pace],
	);
	const surveyed = useSurvey(seen, books, cut, firing);
	const { survey, section } = surveyed;
	const reading = survey?.reading ?? kit.reading;
	const isEmpty = design.parts.length === 0 && design.components.length === 0 && mode.kind === "parts";

	return (
		<div className="grid h-full min-h-0 grid-cols-[300px_minmax(0,1fr)_316px] max-lg:flex max-lg:flex-col max-lg:overflow-y-auto">
			<section aria-label="Parts" className="flex min-h-0 flex-col border-r border-line max-lg:shrink-0">
				{mayEdit && <AddMenu glasses={glasses} onLine={drawLine} />}
				<h2 className="flex justify-between px-4 pb-1.5">
					Stack, top first <span className="figure">{partsOnBench(design, opened).length} parts</span>
				</h2>
				<div className="scroll-y min-h-0 grow">
					<StackList glasses={glassById} />
				</div>
				<ComponentBar mayEdit={mayEdit} />
				{mayEdit && (
					<ChosenPanel
						key={chosen.join()}
						glasses={glasses}
						commands={commands}
						mode={mode}
						onMode={setMode}
						errorAt={(part, field) => saving.partError(part, field)}
					/>
				)}
			</section>

			<section
				aria-label="Plan"
				className="flex min-h-0 flex-col gap-2 px-4 pt-3 pb-2 max-lg:order-first max-lg:h-[68vh] max-lg:shrink-0"
			>
				<div className="flex flex-wrap items-center gap-x-3 gap-y-2">
					<div className="min-w-40 grow">
						{mayEdit ? (
							<KitName
								value={design.name}
								error={saving.errorAt("name")}
								onChange={(name) => edit((before) => ({ ...before, name }), "name")}
							/>
						) : (
							<h1>{design.name}</h1>
						)}
					</div>
					<History {...useHistory()} />
					{opened === undefined && <FiringChoice design={design} firing={firing} onFiring={setChosenFiring} />}
					<ShowButtons show={show} onShow={setShow} exploded={exploded} onExploded={setExploded} />
				</div>
				{mode.kind !== "parts" && <ModeBar mode={mode} onMode={setMode} glasses={glasses} />}
				<div className="min-h-0 grow">
					{isEmpty && mayEdit ? (
						<EmptyBench
							glasses={glasses}
							onStart={(kit) => edit((before) => ({ ...kit, name: before.name || kit.name }))}
						/>
					) : exploded && drawn.length > 0 ? (
						<ExplodedView drawn={drawn} fired={show.fired} chosen={chosen} onChoose={(id) => choose([id])} />
					) : (
						<PlanEditor
							drawn={drawn}
							survey={survey}
							show={show}
							cut={cut}
							onCut={setOwnCut}
							looked={looked}
							mayEdit={mayEdit && firing === undefined}
							mode={mode}
							onMode={setMode}
						/>
					)}
				</div>
				{!isEmpty && (
					<SectionView
						section={section}
						drawn={drawn}
						level={reading.level}
						rests={survey?.rests ?? {}}
						turnedOver={seen.route[firing ?? assemblyFiring(seen)]?.turnedOver === true}
					/>
				)}
			</section>

			<Panels
				view={view}
				surveyed={surveyed}
				saving={saving}
				mayEdit={mayEdit}
				stressShown={show.stress}
				elsewhere={firing !== undefined}
				palette={palette}
				onPalette={setPalette}
				onLook={setLooked}
			/>
		</div>
	);
}

/** What lies on the bench as a kit of its own: the kit, or one component in the firing that makes it. */
function onBench(design: KitDesign, opened: string | undefined): KitDesign {
	const component = design.components.find(({ id }) => id === opened);
	if (!component) return design;
	const step = design.route[component.firing] ?? { level: "full" as const, handWork: "" };
	return { ...emptyKit(component.name), palettes: design.palettes, parts: component.parts, route: [step] };
}

/** What lies on the shelf in a firing: before the one that puts the kit together its components, by themselves. */
function onShelf(design: KitDesign, firing: number | undefined, glasses: ReadonlyMap<string, Glass>): KitDesign {
	if (firing === undefined || firing >= assemblyFiring(design)) return design;
	return { ...design, parts: componentsFiring(design, firing, glasses) };
}

/** Across the middle, a little beyond the glass. */
function usualCut(drawn: Parameters<typeof boxOfDrawn>[0]): Cut | undefined {
	const box = boxOfDrawn(drawn);
	if (box.widthMm === 0) return undefined;
	const y = (box.minY + box.maxY) / 2;
	const over = Math.max(8, box.widthMm * 0.06);
	return { from: { x: box.minX - over, y }, to: { x: box.maxX + over, y } };
}
