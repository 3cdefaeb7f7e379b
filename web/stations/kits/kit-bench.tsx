import { kitDesign } from "@contract/kit";
import { boundsOf } from "@core/geometry/region";
import { drawnParts } from "@core/kit/drawn";
import { emptyKit, inPalette, type KitDesign, type KitPart } from "@core/kit/kit";
import type { Finding } from "@core/stack/finding";
import type { Cut } from "@core/stack/section";
import { tidyMm } from "@core/units/tidy";
import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { useAct } from "../../lib/api";
import type { StationProps } from "../../ui/framed";
import { framed } from "../../ui/framed";
import { Trouble } from "../../ui/notice";
import { Tabs } from "../../ui/tabs";
import { AddMenu } from "./add-menu";
import { ChosenPanel } from "./chosen-panel";
import { useCommands } from "./commands";
import { ComponentBar } from "./component-bar";
import { createDraft, DraftProvider, newId, partsOnBench, useDraft, useDraftStore, useHistory } from "./draft";
import { ExplodedView } from "./exploded-view";
import { FilePanel } from "./file-panel";
import { PalettePanel } from "./palette-panel";
import { PlanEditor, type PlanMode, type PlanShow } from "./plan-editor";
import { boxOfDrawn } from "./plan-layers";
import { RoutePanel } from "./route-panel";
import { SectionView } from "./section-view";
import { StackList } from "./stack-list";
import { TellPanel } from "./tell-panel";
import { TryPanel } from "./try-panel";
import { useSurvey } from "./use-survey";

export default framed("kit", "kits", Bench, [
	["A", "lay a part"],
	["← → ↑ ↓", "nudge by 1 mm or 1/16 in; with Shift 10 mm or 1/2 in, with Alt a tenth"],
	["[ ]", "a layer down, a layer up"],
	["R", "turn by 15°, with Shift the other way"],
	["Delete", "take away"],
	["Ctrl+D", "the same again, beside it"],
	["Ctrl+C, Ctrl+V", "copy, and lay here or in another kit"],
	["Ctrl+A, Esc", "choose all, choose none"],
	["Ctrl+Z, Ctrl+Shift+Z", "undo, redo, without limit"],
	["Ctrl+S", "save"],
	["Shift+press", "choose one more; Ctrl while dragging: no snapping; Alt+drag: shift the plan"],
]);

function Bench(props: StationProps<"kit">) {
	const [draft] = useState(() => createDraft(props.view.kit.document));
	return (
		<DraftProvider value={draft}>
			<KitBench {...props} />
		</DraftProvider>
	);
}

const TABS = [
	{ value: "tells", label: "Tells" },
	{ value: "route", label: "Route" },
	{ value: "try", label: "Try" },
	{ value: "colours", label: "Colours" },
	{ value: "files", label: "Files" },
] as const;
type Tab = (typeof TABS)[number]["value"];

/** Cuts of glass on layers: plan, stack and section to scale, and what the kiln will do to them. */
function KitBench({ view, frame }: StationProps<"kit">) {
	const { kit, glasses, families, moulds, clearHeightMm, coolingSchool } = view;
	const mayEdit = frame.person.role === "instructor";
	const design = useDraft((draft) => draft.design);
	const opened = useDraft((draft) => draft.opened);
	const edit = useDraft((draft) => draft.edit);
	const chosen = useDraft((draft) => draft.chosen);
	const choose = useDraft((draft) => draft.choose);
	const [tab, setTab] = useState<Tab>("tells");
	const [show, setShow] = useState<PlanShow>({ fired: true, thickness: false, after: true, joints: false });
	const [exploded, setExploded] = useState(false);
	const [mode, setMode] = useState<PlanMode>({ kind: "parts" });
	const [palette, setPalette] = useState<string | undefined>();
	const [looked, setLooked] = useState<Finding | undefined>();
	const [ownCut, setOwnCut] = useState<Cut | undefined>();
	const commands = useCommands(glasses, mayEdit);
	const saving = useSaving(view);
	useStartFrom(view.isNew);

	const byId = useMemo(() => new Map(glasses.map((one) => [one.id, one])), [glasses]);
	const seen = useMemo(() => inPalette(onBench(design, opened), palette), [design, opened, palette]);
	const drawn = useMemo(() => drawnParts(seen, byId), [seen, byId]);
	const cut = useMemo(() => ownCut ?? usualCut(drawn), [ownCut, drawn]);
	const books = useMemo(
		() => ({ glasses, families, moulds, clearHeightMm, coolingSchool }),
		[glasses, families, moulds, clearHeightMm, coolingSchool],
	);
	const { survey, section, tryOut, sound } = useSurvey(seen, books, cut);
	const reading = survey?.reading ?? kit.reading;

	return (
		<div className="grid h-full min-h-0 grid-cols-[300px_minmax(0,1fr)_316px] max-lg:flex max-lg:flex-col max-lg:overflow-y-auto">
			<section aria-label="Parts" className="flex min-h-0 flex-col border-r border-line max-lg:shrink-0">
				{mayEdit && <AddMenu glasses={glasses} onLine={(form) => setMode({ kind: "line", points: [], form })} />}
				<h2 className="flex justify-between px-4 pb-1.5">
					Stack, top first <span className="figure">{partsOnBench(design, opened).length} parts</span>
				</h2>
				<div className="scroll-y min-h-0 grow">
					<StackList glasses={byId} />
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
					<History />
					<ShowButtons show={show} onShow={setShow} exploded={exploded} onExploded={setExploded} />
				</div>
				{mode.kind !== "parts" && <ModeBar mode={mode} onMode={setMode} glasses={glasses} />}
				<div className="min-h-0 grow">
					{exploded && drawn.length > 0 ? (
						<ExplodedView drawn={drawn} fired={show.fired} chosen={chosen} onChoose={(id) => choose([id])} />
					) : (
						<PlanEditor
							drawn={drawn}
							survey={survey}
							show={show}
							cut={cut}
							onCut={setOwnCut}
							looked={looked}
							mayEdit={mayEdit}
							mode={mode}
							onMode={setMode}
						/>
					)}
				</div>
				<SectionView section={section} drawn={drawn} level={reading.level} rests={survey?.rests ?? {}} />
			</section>

			<section aria-label="What it tells" className="flex min-h-0 flex-col border-l border-line max-lg:shrink-0">
				<Tabs<Tab>
					label="About this kit"
					className="justify-between border-b border-line px-4"
					tabs={TABS}
					open={tab}
					onOpen={setTab}
				/>
				<div className="scroll-y min-h-0 grow px-4 py-3">
					{tab === "tells" && (
						<TellPanel
							view={view}
							reading={reading}
							survey={survey}
							design={sound}
							mayEdit={mayEdit}
							onLook={setLooked}
						/>
					)}
					{tab === "route" && (
						<RoutePanel view={view} outlooks={survey?.firings ?? []} mayEdit={mayEdit} errorAt={saving.errorAt} />
					)}
					{tab === "try" && (
						<TryPanel reading={reading} families={families} mayEdit={mayEdit && opened === undefined} tryOut={tryOut} />
					)}
					{tab === "colours" && <PalettePanel glasses={glasses} seen={palette} onSee={setPalette} mayEdit={mayEdit} />}
					{tab === "files" && <FilePanel view={view} palette={palette} changed={saving.changed} mayEdit={mayEdit} />}
				</div>
				{mayEdit && <SaveBar saving={saving} />}
			</section>
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

/** Across the middle, a little beyond the glass. */
function usualCut(drawn: Parameters<typeof boxOfDrawn>[0]): Cut | undefined {
	const box = boxOfDrawn(drawn);
	if (box.widthMm === 0) return undefined;
	const y = (box.minY + box.maxY) / 2;
	const over = Math.max(8, box.widthMm * 0.06);
	return { from: { x: box.minX - over, y }, to: { x: box.maxX + over, y } };
}

/** A kit that was begun from another one, or from a sample. */
function useStartFrom(isNew: boolean): void {
	const edit = useDraft((draft) => draft.edit);
	useEffect(() => {
		const text = sessionStorage.getItem("zephyr-new-kit");
		sessionStorage.removeItem("zephyr-new-kit");
		if (!isNew || !text) return;
		const parsed = kitDesign.safeParse(JSON.parse(text));
		if (parsed.success) edit(() => parsed.data);
	}, [isNew, edit]);
}

/** Saves the draft; what is typed while a save runs stays unsaved. Sentences of the document's own checks appear after a try. */
function useSaving({ kit }: StationProps<"kit">["view"]) {
	const design = useDraft((draft) => draft.design);
	const [revision, setRevision] = useState(kit.revision);
	const [saved, setSaved] = useState(kit.revision === 0 ? undefined : kit.document);
	const [tried, setTried] = useState(false);
	const sent = useRef(design);
	const store = useDraftStore();
	const act = useAct("saveKit", (output) => {
		setRevision(output.revision);
		setSaved(sent.current);
	});
	const changed = design !== saved;
	const issues = useMemo(() => {
		if (!tried) return [];
		const checked = kitDesign.safeParse(design);
		return checked.success ? [] : checked.error.issues;
	}, [tried, design]);
	const save = () => {
		setTried(true);
		const now = store.getState().design;
		const checked = kitDesign.safeParse(now);
		if (!checked.success) return;
		sent.current = now;
		act.mutate({ kitId: kit.id, revision, document: checked.data });
	};
	useEffect(() => {
		const onKey = (event: KeyboardEvent) => {
			if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "s") return;
			event.preventDefault();
			save();
		};
		const warn = (event: BeforeUnloadEvent) => changed && saved !== undefined && event.preventDefault();
		addEventListener("keydown", onKey);
		addEventListener("beforeunload", warn);
		return () => {
			removeEventListener("keydown", onKey);
			removeEventListener("beforeunload", warn);
		};
	});
	return {
		save,
		changed,
		pending: act.isPending,
		error: act.error,
		/** The first thing that stands against saving, with the name of the part it is about. */
		obstacle: obstacleOf(issues, design),
		errorAt: (...path: (string | number)[]) =>
			issues.find((issue) => path.every((step, i) => issue.path[i] === step))?.message,
		partError: (part: KitPart, field: string) => {
			const at = design.parts.indexOf(part);
			return issues.find(({ path }) => path[0] === "parts" && path[1] === at && path.includes(field))?.message;
		},
	};
}
type Saving = ReturnType<typeof useSaving>;

function obstacleOf(
	issues: readonly { path: PropertyKey[]; message: string }[],
	design: KitDesign,
): string | undefined {
	const [issue] = issues;
	if (!issue) return undefined;
	const part = issue.path[0] === "parts" ? design.parts[Number(issue.path[1])] : undefined;
	return part ? `${part.name || "A part"}: ${issue.message}` : issue.message;
}

function SaveBar({ saving }: { saving: Saving }) {
	return (
		<div className="border-t border-line bg-base-100 px-4 py-3">
			{saving.obstacle && (
				<p role="alert" className="mb-2 font-semibold text-error">
					{saving.obstacle}
				</p>
			)}
			<Trouble error={saving.error} />
			<button
				type="button"
				className="btn btn-primary w-full"
				aria-keyshortcuts="Control+s"
				disabled={saving.pending || !saving.changed}
				onClick={saving.save}
			>
				{saving.pending ? "Saving …" : saving.changed ? "Save this kit" : "Saved"}
			</button>
		</div>
	);
}

function KitName(props: { value: string; error: string | undefined; onChange(name: string): void }) {
	return (
		<>
			<input
				aria-label="Kit"
				placeholder="Name of this kit"
				className={`-ml-2 h-10 w-full rounded border px-2 text-[22px] font-bold tracking-tight ${props.error ? "border-error" : "border-transparent hover:border-line focus:bg-base-100"}`}
				value={props.value}
				aria-invalid={Boolean(props.error)}
				autoComplete="off"
				onChange={(event) => props.onChange(event.target.value)}
			/>
			{props.error && <p className="font-semibold text-error">{props.error}</p>}
		</>
	);
}

function History() {
	const { pastStates, futureStates, undo, redo } = useHistory();
	return (
		<div className="join" role="group" aria-label="Undo and redo">
			<button
				type="button"
				className="btn btn-sm join-item w-10 px-0"
				aria-label={`Undo, ${pastStates.length} steps`}
				title="Undo (Ctrl+Z)"
				disabled={pastStates.length === 0}
				onClick={() => undo()}
			>
				<Undo2 size={17} aria-hidden="true" />
			</button>
			<button
				type="button"
				className="btn btn-sm join-item w-10 px-0"
				aria-label={`Redo, ${futureStates.length} steps`}
				title="Redo (Ctrl+Shift+Z)"
				disabled={futureStates.length === 0}
				onClick={() => redo()}
			>
				<Redo2 size={17} aria-hidden="true" />
			</button>
		</div>
	);
}

function ShowButtons(props: {
	show: PlanShow;
	onShow(show: PlanShow): void;
	exploded: boolean;
	onExploded(exploded: boolean): void;
}) {
	const { show, onShow, exploded, onExploded } = props;
	const toggle = (label: string, pressed: boolean, onPress: () => void) => (
		<button
			type="button"
			aria-pressed={pressed}
			className={`btn btn-sm join-item px-2.5 ${pressed ? "btn-secondary" : ""}`}
			onClick={onPress}
		>
			{label}
		</button>
	);
	return (
		<div className="flex flex-wrap gap-2">
			<div className="join" role="group" aria-label="Colours">
				{toggle("as bought", !show.fired, () => onShow({ ...show, fired: false }))}
				{toggle("as fired", show.fired, () => onShow({ ...show, fired: true }))}
			</div>
			<div className="join" role="group" aria-label="What the plan shows">
				{toggle("thickness", show.thickness, () => onShow({ ...show, thickness: !show.thickness }))}
				{toggle("fired edge", show.after, () => onShow({ ...show, after: !show.after }))}
				{toggle("joints", show.joints, () => onShow({ ...show, joints: !show.joints }))}
				{toggle("exploded", exploded, () => onExploded(!exploded))}
			</div>
		</div>
	);
}

/** What is being drawn on the plan, and how to end it. */
function ModeBar({
	mode,
	onMode,
	glasses,
}: {
	mode: PlanMode;
	onMode(mode: PlanMode): void;
	glasses: StationProps<"kit">["view"]["glasses"];
}) {
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const leave = () => onMode({ kind: "parts" });
	const finish = () => {
		leave();
		if (mode.kind !== "line" || mode.points.length < 2) return;
		const glass = glasses.find(({ form }) => form === mode.form);
		if (!glass) return;
		const box = boundsOf([mode.points]);
		const id = newId();
		const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
		editParts((parts) => [
			...parts,
			{
				id,
				name: mode.form === "ribbon" ? "Ribbon" : "Stringer",
				kind: "thread",
				glassId: glass.id,
				points: mode.points.map((point) => ({ x: tidyMm(point.x - x, 0.1), y: tidyMm(point.y - y, 0.1) })),
				layer: Math.max(0, ...parts.map(({ layer }) => layer)) + (parts.length > 0 ? 1 : 0),
				firing: Math.max(0, ...parts.map(({ firing }) => firing)),
				xMm: tidyMm(x, 0.1),
				yMm: tidyMm(y, 0.1),
				turnDeg: 0,
			},
		]);
		choose([id]);
	};
	useEffect(() => {
		const onKey = (event: KeyboardEvent) => {
			if (event.key === "Escape") leave();
			if (event.key === "Enter" && mode.kind === "line") finish();
		};
		addEventListener("keydown", onKey);
		return () => removeEventListener("keydown", onKey);
	});
	return (
		<p role="status" className="flex items-center gap-3 rounded bg-pick px-3 py-1.5">
			<span className="grow">
				{mode.kind === "line"
					? `Press where the ${mode.form} runs, point by point (${mode.points.length} so far). Enter ends it.`
					: "Draw each score across the sheet, edge to edge. Then press “Cut it and spread the pieces”."}
			</span>
			{mode.kind === "line" && (
				<button type="button" className="btn btn-sm" disabled={mode.points.length < 2} onClick={finish}>
					Done
				</button>
			)}
			<button type="button" className="btn btn-ghost btn-sm" onClick={leave}>
				Leave it
			</button>
		</p>
	);
}
