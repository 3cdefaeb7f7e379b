import type { KilnForm } from "@contract/documents/kiln";
import type { KilnView } from "@contract/kilns";
import { type KilnFixture, type KilnZone, type Recount, SHELF_SHAPES, type ShelfShape } from "@core/kiln/record";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { Fixtures, Shelves, Tasks, UpperShelves, Zones } from "./kiln-rows";
import { ShelfOutline } from "./shelf-outline";

const plain = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));

/** A kiln written down: kind, limits, shelf with its zones, shelves, elements and tasks. */
export function KilnFormPanel({ view, instructor }: { view: KilnView; instructor: boolean }) {
	const act = useActForm("saveKiln", {
		start: { kiln: view.form, revision: view.revision, anew: {} as Recount },
		schema: async () => (await import("@contract/kilns")).actions.saveKiln,
		// Only what somebody counted anew is sent: the studio goes on counting the rest.
		next: (values) => ({ ...values, anew: {} as Recount }),
	});
	const { kiln: form, anew } = act.values;
	const set = (change: Partial<KilnForm>) => act.set("kiln", { ...form, ...change });
	const elements = { ...view.counts.elements, ...anew.elements };
	const recount = <K extends keyof Recount>(what: K, counts: NonNullable<Recount[K]>) =>
		act.set("anew", { ...anew, [what]: { ...anew[what], ...counts } });
	const length = (label: string, key: "shelfWidthMm" | "shelfHeightMm" | "marginMm" | "clearHeightMm") => (
		<NumberField kind="length" label={label} {...act.number(`kiln.${key}`)} />
	);
	const number = (label: string, value: number | null, onChange: (value: number | null) => void, hint?: string) => (
		<NumberField kind="count" label={label} value={value} onChange={onChange} {...(hint && { hint })} />
	);
	const electric = form.kind === "electric";
	return (
		<form className="flex max-w-4xl flex-col gap-5 bg-base-200" noValidate onSubmit={act.submit}>
			<fieldset disabled={!instructor} className="flex flex-col gap-5">
				<div className="grid grid-cols-3 gap-3 max-lg:grid-cols-2">
					<TextField label="Name" {...act.field("kiln.name")} />
					<ChoiceField<KilnForm["kind"]>
						label="Kind"
						value={form.kind}
						options={[
							{ value: "electric", label: "electric kiln" },
							{ value: "microwaveBlock", label: "microwave block" },
						]}
						onChange={(kind) => set({ kind })}
					/>
					<ChoiceField<KilnForm["doorSide"]>
						label="Opens"
						value={form.doorSide}
						options={[
							{ value: "top", label: "by a lid on top" },
							{ value: "front", label: "by a door in front" },
						]}
						onChange={(doorSide) => set({ doorSide })}
					/>
					<NumberField kind="temperature" label="Goes up to" {...act.number("kiln.maxC")} />
					{electric &&
						number("Segments its controller takes", form.maxSegments, (n) => set({ maxSegments: n ?? Number.NaN }))}
					{number("Rated power on its plate, W", form.plateW, (plateW) => set({ plateW }))}
				</div>
				<section aria-label="Shelf" className="grid grid-cols-[1fr_320px] gap-5 max-lg:grid-cols-1">
					<div className="flex flex-col gap-3">
						<h2>Shelf</h2>
						<div className="grid grid-cols-2 gap-3">
							<ChoiceField<ShelfShape>
								label="Outline"
								value={form.shelfShape}
								options={plain(SHELF_SHAPES)}
								onChange={(shelfShape) =>
									set({ shelfShape, ...(shelfShape !== "rectangle" && { shelfHeightMm: form.shelfWidthMm }) })
								}
							/>
							{length("Margin kept free", "marginMm")}
							{length(form.shelfShape === "rectangle" ? "Width" : "Across", "shelfWidthMm")}
							{length("Depth", "shelfHeightMm")}
							{length("Clear height", "clearHeightMm")}
						</div>
						<Zones form={form} onZones={(zones) => set({ zones })} />
						{electric && <Fixtures fixtures={form.fixtures} onFixtures={(fixtures) => set({ fixtures })} />}
						{electric && <UpperShelves upper={form.upper} onUpper={(upper) => set({ upper })} />}
					</div>
					<ShelfOutline
						kiln={{ ...form, zones: form.zones.filter(isSound), fixtures: form.fixtures.filter(isSound) }}
						widthPx={300}
						labels
					/>
				</section>
				{electric && (
					<div className="grid grid-cols-2 gap-5 max-lg:grid-cols-1">
						<Shelves
							shelves={form.shelves}
							uses={{ ...view.counts.shelves, ...anew.shelves }}
							onShelves={(shelves) => set({ shelves })}
							onUses={(name, uses) => recount("shelves", { [name]: uses })}
						/>
						<Tasks
							tasks={form.upkeep}
							since={{ ...view.counts.upkeep, ...anew.upkeep }}
							onTasks={(upkeep) => set({ upkeep })}
							onSince={(what, firings) => recount("upkeep", { [what]: firings })}
						/>
						<section aria-label="Elements">
							<h2 className="mb-2">Elements</h2>
							<div className="grid grid-cols-2 gap-3">
								<TextField
									label="Fitted on"
									type="date"
									value={form.elements.fittedOn ?? ""}
									onChange={(day) => set({ elements: { ...form.elements, fittedOn: day || null } })}
								/>
								{number("Usually last, firings", form.elements.dueFirings, (n) =>
									set({ elements: { ...form.elements, dueFirings: n ?? Number.NaN } }),
								)}
								{number("Firings since", elements.firings, (n) => recount("elements", { firings: n ?? Number.NaN }))}
								{number("Hours since", Math.round(elements.hours), (n) =>
									recount("elements", { hours: n ?? Number.NaN }),
								)}
							</div>
						</section>
						<section aria-label="How it heats">
							<h2 className="mb-2">How it heats, where nothing was learned</h2>
							<div className="grid grid-cols-2 gap-3">
								{number("Power, W", Math.round(form.body.powerW), (n) =>
									set({ body: { ...form.body, powerW: n ?? Number.NaN } }),
								)}
								{number("Loses, W/K", Number(form.body.lossWPerK.toFixed(2)), (n) =>
									set({ body: { ...form.body, lossWPerK: n ?? Number.NaN } }),
								)}
								{number("Holds, kJ/K", Number((form.body.capacityJPerK / 1000).toFixed(1)), (n) =>
									set({ body: { ...form.body, capacityJPerK: (n ?? Number.NaN) * 1000 } }),
								)}
								<NumberField
									kind="temperature"
									label="Its room"
									value={form.body.roomC}
									onChange={(c) => set({ body: { ...form.body, roomC: c ?? Number.NaN } })}
								/>
							</div>
						</section>
					</div>
				)}
			</fieldset>
			{instructor && (
				<div className="foot flex items-center gap-4">
					<button type="submit" className="btn btn-primary" disabled={act.pending}>
						{act.isKept ? "Written down" : `Write ${form.name || "it"} down`}
					</button>
					<Problems problems={act.others()} />
				</div>
			)}
		</form>
	);
}

const isSound = (row: KilnZone | KilnFixture): boolean =>
	Object.values(row).every((value) => typeof value !== "number" || Number.isFinite(value));
