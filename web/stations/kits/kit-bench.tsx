import { kitDesign } from "@contract/kit";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { boundsOf } from "@core/geometry/region";
import { isStriker } from "@core/glass/glass";
import { type KitDesign, type KitPart, LARGEST_KIT, partOutline } from "@core/stack/kit";
import type { KitReading } from "@core/stack/read-kit";
import { useMemo, useRef, useState } from "react";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { ChoiceField, TextField } from "../../ui/fields";
import { FindingsList } from "../../ui/findings-list";
import type { StationProps } from "../../ui/framed";
import { framed } from "../../ui/framed";
import { KitPlan } from "../../ui/kit-plan";
import { Trouble } from "../../ui/notice";
import { LevelGlyph, SwatchPair } from "../../ui/signs";
import { PartForm } from "./part-form";
import { SectionView } from "./section-view";
import { useReading } from "./use-reading";

export default framed("kit", "kits", KitBench);

/** Cuts of glass on layers: plan and section to scale, and what the kiln will do to them. */
function KitBench({ view, frame }: StationProps<"kit">) {
	const { kit, glasses, families } = view;
	const [design, setDesign] = useState<KitDesign>(kit.document);
	const [revision, setRevision] = useState(kit.revision);
	const [saved, setSaved] = useState(design);
	const [chosenId, setChosenId] = useState<string | null>(null);
	const [fired, setFired] = useState(true);
	const [showErrors, setShowErrors] = useState(false);
	const reading = useReading(design, glasses, families, kit.reading);
	const sent = useRef(design); // what is typed while a save runs stays unsaved
	const save = useAct("saveKit", (output) => {
		setRevision(output.revision);
		setSaved(sent.current);
	});
	const checked = useMemo(() => kitDesign.safeParse(design), [design]);
	const issues = showErrors && !checked.success ? checked.error.issues : [];
	const errorAt = (...path: (string | number)[]) =>
		issues.find((issue) => path.every((step, i) => issue.path[i] === step))?.message;
	const inParts = issues.find(({ path }) => path[0] === "parts");
	const troubled = design.parts[Number(inParts?.path[1])];
	const partTrouble = inParts && (troubled ? `${troubled.name || "A part"}: ${inParts.message}` : inParts.message);
	const mayEdit = frame.person.role === "instructor";
	const changed = revision === 0 || design !== saved;
	const box = boundsOf(design.parts.map(partOutline));
	const sectionMm = (box.minY + box.maxY) / 2;

	const setPart = (id: string, part: KitPart) =>
		setDesign({ ...design, parts: design.parts.map((one) => (one.id === id ? part : one)) });
	const add = (part: Omit<KitPart, "id">) => {
		const id = crypto.randomUUID().slice(0, 8);
		setDesign({ ...design, parts: [...design.parts, { ...part, id }] });
		setChosenId(id);
	};
	const submit = () => {
		setShowErrors(true);
		if (!checked.success) return;
		sent.current = design;
		save.mutate({ kitId: kit.id, revision, document: checked.data });
	};
	const nudge = (event: React.KeyboardEvent) => {
		const part = design.parts.find(({ id }) => id === chosenId);
		const move = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
		if (!part || !move || !mayEdit) return;
		event.preventDefault();
		const step = event.shiftKey ? 10 : 1;
		setPart(part.id, { ...part, xMm: part.xMm + (move[0] ?? 0) * step, yMm: part.yMm + (move[1] ?? 0) * step });
	};

	return (
		<div className="grid h-full min-h-0 grid-cols-[300px_minmax(0,1fr)_304px] max-lg:block max-lg:overflow-y-auto">
			<section aria-label="Parts" className="flex min-h-0 flex-col border-r border-line">
				<h2 className="flex justify-between px-4 pt-4 pb-2">
					Stack, top first <span className="figure">{design.parts.length} parts</span>
				</h2>
				<ul className="scroll-y min-h-0 grow">
					{[...design.parts]
						.sort((a, b) => b.layer - a.layer)
						.map((part) => {
							const glass = glasses.find(({ id }) => id === part.glassId);
							const chosen = part.id === chosenId;
							return (
								<li key={part.id}>
									<button
										type="button"
										aria-expanded={chosen}
										className={`flex min-h-11 w-full items-center gap-3 border-t border-line px-4 py-1.5 text-left ${chosen ? "bg-pick" : "hover:bg-base-100"}`}
										onClick={() => setChosenId(chosen ? null : part.id)}
									>
										{glass && <SwatchPair bought={glass.boughtColour} fired={glass.firedColour} label={glass.name} />}
										<span className="min-w-0 grow">
											<b className="block truncate">{part.name || "unnamed"}</b>
											<ShapeWords
												part={part}
												glassName={glass?.name ?? "?"}
												striker={glass ? isStriker(glass) : false}
											/>
										</span>
										<span className="figure text-soft">{part.layer + 1}</span>
									</button>
									{chosen && mayEdit && (
										<PartForm
											part={part}
											glasses={glasses}
											onChange={(next) => setPart(part.id, next)}
											onCopy={() => add({ ...part, xMm: part.xMm + 10, yMm: part.yMm + 10 })}
											onRemove={() => setDesign({ ...design, parts: design.parts.filter(({ id }) => id !== part.id) })}
											errorAt={(field) =>
												errorAt(
													"parts",
													design.parts.indexOf(part),
													...(field.endsWith("Mm") && field !== "xMm" && field !== "yMm" ? ["shape", field] : [field]),
												)
											}
										/>
									)}
								</li>
							);
						})}
				</ul>
				{mayEdit && design.parts.length < LARGEST_KIT.parts && (
					<button
						type="button"
						className="btn btn-ghost m-2"
						onClick={() =>
							add({
								name: `Part ${design.parts.length + 1}`,
								shape: { kind: "square", sideMm: design.parts.length === 0 ? 100 : 30 },
								glassId: glasses[0]?.id ?? "",
								layer: design.parts.length === 0 ? 0 : 1,
								xMm: 0,
								yMm: 0,
								turnDeg: 0,
							})
						}
					>
						Add a cut of glass
					</button>
				)}
			</section>

			<section aria-label="Plan" className="flex min-h-0 flex-col gap-2 px-5 py-3" onKeyDown={nudge}>
				<div className="grid grid-cols-[1fr_auto] items-end gap-3">
					<TextField
						label="Kit"
						value={design.name}
						onChange={(name) => setDesign({ ...design, name })}
						error={errorAt("name")}
					/>
					<div role="group" aria-label="Colours" className="join">
						{[false, true].map((after) => (
							<button
								key={String(after)}
								type="button"
								aria-pressed={fired === after}
								className={`btn join-item ${fired === after ? "btn-secondary" : ""}`}
								onClick={() => setFired(after)}
							>
								{after ? "as fired" : "as bought"}
							</button>
						))}
					</div>
				</div>
				<div className="min-h-0 grow">
					{design.parts.length === 0 ? (
						<p className="p-10 text-center text-soft">
							The bench is empty. Add a first cut of glass: a 100 mm clear square is a good base.
						</p>
					) : (
						<KitPlan
							parts={design.parts}
							glasses={glasses}
							fired={fired}
							dimensions
							chosenId={chosenId}
							onChoose={setChosenId}
							sectionMm={sectionMm}
							className="h-full w-full"
						/>
					)}
				</div>
				<SectionView parts={design.parts} glasses={glasses} level={design.route[0]?.level ?? "full"} yMm={sectionMm} />
			</section>

			<section aria-label="What it tells" className="scroll-y border-l border-line px-4 py-4">
				<Figures reading={reading} />
				<h2 className="mt-3 mb-1">Before it is cut</h2>
				<FindingsList findings={reading.findings} />
				<h2 className="mt-4 mb-1 flex justify-between">
					Route <span>usual for this stack: {LEVEL_WORDS[reading.suggestedLevel]}</span>
				</h2>
				<ol className="ruled">
					{design.route.map((step, i) => (
						<li key={i} className="flex flex-col gap-1.5 py-2">
							<div className="flex items-center gap-2">
								<b>{i + 1}</b>
								<LevelGlyph level={step.level} />
								{mayEdit && design.route.length > 1 && (
									<button
										type="button"
										className="btn btn-ghost btn-sm ml-auto"
										onClick={() => setDesign({ ...design, route: design.route.filter((_, j) => j !== i) })}
									>
										Remove
									</button>
								)}
							</div>
							{mayEdit && (
								<>
									<ChoiceField
										compact
										label="Fuse level"
										value={step.level}
										options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
										onChange={(level) =>
											setDesign({ ...design, route: design.route.map((one, j) => (j === i ? { ...one, level } : one)) })
										}
									/>
									<TextField
										compact
										label="Hand work afterwards"
										value={step.handWork}
										error={errorAt("route", i, "handWork")}
										onChange={(handWork) =>
											setDesign({
												...design,
												route: design.route.map((one, j) => (j === i ? { ...one, handWork } : one)),
											})
										}
									/>
								</>
							)}
						</li>
					))}
				</ol>
				{mayEdit && (
					<div className="mt-3 flex flex-col gap-2">
						{design.route.length < LARGEST_KIT.firings && (
							<button
								type="button"
								className="btn btn-sm"
								onClick={() => setDesign({ ...design, route: [...design.route, { level: "slump", handWork: "" }] })}
							>
								Add a firing
							</button>
						)}
						<TextField
							label="Note"
							value={design.note}
							onChange={(note) => setDesign({ ...design, note })}
							error={errorAt("note")}
							multiline
						/>
						{partTrouble && <p className="font-semibold text-error">{partTrouble}</p>}
						<Trouble error={save.error} />
						<div className="foot bg-base-200 flex flex-col">
							<button type="button" className="btn btn-primary" disabled={save.isPending || !changed} onClick={submit}>
								{save.isPending ? "Saving …" : changed ? "Save this kit" : "Saved"}
							</button>
						</div>
					</div>
				)}
			</section>
		</div>
	);
}

function ShapeWords({ part, glassName, striker }: { part: KitPart; glassName: string; striker: boolean }) {
	const figure = useFigure();
	const sizes = Object.entries(part.shape)
		.filter(([key]) => key !== "kind")
		.map(([, value]) => figure({ mm: value as number }))
		.join(" × ");
	const kind = part.shape.kind === "triangle" ? "right triangle" : part.shape.kind;
	return (
		<span className="block truncate text-soft">
			{kind} {sizes}, {glassName}
			{striker && ", shows when fired"}
		</span>
	);
}

function Figures({ reading }: { reading: KitReading }) {
	const figure = useFigure();
	const cells: [string, string][] = [
		[figure({ mm: reading.thickestMm }), "thickest"],
		[figure({ mm: reading.thinnestMm }), "thinnest"],
		[figure({ mm: reading.effectiveMm }), "anneals as"],
		[figure({ g: reading.massG }), "glass"],
		[`${(reading.areaMm2 / 100).toFixed(0)} cm²`, "area"],
	];
	return (
		<>
			<p className="figure text-xl font-bold" data-testid="stack-code">
				{reading.stackCode}
			</p>
			<dl className="mt-2 grid grid-cols-3 gap-y-2">
				{cells.map(([value, label]) => (
					<div key={label} className="flex flex-col-reverse">
						<dt className="text-soft">{label}</dt>
						<dd className="figure text-lg font-bold">{value}</dd>
					</div>
				))}
			</dl>
		</>
	);
}
