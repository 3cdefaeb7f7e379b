import type { KilnForm } from "@contract/kiln";
import type { KilnView } from "@contract/views";
import { type KilnShelf, type KilnZone, SHELF_SHAPES, type ShelfShape, type UpkeepTask } from "@core/kiln/record";
import { RELEASES } from "@core/kit/mould";
import { useState } from "react";
import { useAct } from "../../../lib/api";
import { ChoiceField, NumberField, TextField } from "../../../ui/fields";
import { Trouble, troubleAt } from "../../../ui/notice";
import { ShelfOutline } from "./shelf-outline";

const plain = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));

/** A kiln written down: kind, limits, shelf with its zones, shelves, elements and tasks. */
export function KilnFormPanel({ view, instructor }: { view: KilnView; instructor: boolean }) {
	const [form, setForm] = useState<KilnForm>(view.form);
	const save = useAct("saveKiln");
	const set = (change: Partial<KilnForm>) => setForm((now) => ({ ...now, ...change }));
	const error = (field: string) => troubleAt(save.error, field);
	const length = (label: string, key: "shelfWidthMm" | "shelfHeightMm" | "marginMm" | "clearHeightMm") => (
		<NumberField
			kind="length"
			label={label}
			value={form[key]}
			error={error(key)}
			onChange={(mm) => set({ [key]: mm ?? Number.NaN })}
		/>
	);
	const number = (label: string, value: number | null, onChange: (value: number | null) => void, hint?: string) => (
		<NumberField kind="count" label={label} value={value} onChange={onChange} {...(hint && { hint })} />
	);
	const electric = form.kind === "electric";
	return (
		<form
			className="flex max-w-4xl flex-col gap-5 bg-base-200"
			onSubmit={(event) => {
				event.preventDefault();
				save.mutate({ kiln: form });
			}}
		>
			<fieldset disabled={!instructor} className="flex flex-col gap-5">
				<div className="grid grid-cols-3 gap-3 max-lg:grid-cols-2">
					<TextField label="Name" value={form.name} error={error("name")} onChange={(name) => set({ name })} />
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
					<NumberField
						kind="temperature"
						label="Goes up to"
						value={form.maxC}
						error={error("maxC")}
						onChange={(c) => set({ maxC: c ?? Number.NaN })}
					/>
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
					</div>
					<ShelfOutline kiln={{ ...form, zones: form.zones.filter(isSound) }} widthPx={300} labels />
				</section>
				{electric && (
					<div className="grid grid-cols-2 gap-5 max-lg:grid-cols-1">
						<Shelves shelves={form.shelves} onShelves={(shelves) => set({ shelves })} />
						<Tasks tasks={form.upkeep} onTasks={(upkeep) => set({ upkeep })} />
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
								{number("Firings since", form.elements.firings, (n) =>
									set({ elements: { ...form.elements, firings: n ?? Number.NaN } }),
								)}
								{number("Hours since", Math.round(form.elements.hours), (n) =>
									set({ elements: { ...form.elements, hours: n ?? Number.NaN } }),
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
					<button type="submit" className="btn btn-primary" disabled={save.isPending}>
						{save.isSuccess && save.variables?.kiln === form ? "Written down" : `Write ${form.name || "it"} down`}
					</button>
					<Trouble
						error={save.error}
						except={["name", "maxC", "shelfWidthMm", "shelfHeightMm", "marginMm", "clearHeightMm"]}
					/>
				</div>
			)}
		</form>
	);
}

const isSound = ({ xMm, yMm, widthMm, heightMm, offsetK }: KilnZone) =>
	[xMm, yMm, widthMm, heightMm, offsetK].every((value) => Number.isFinite(value));

interface RowsProps<T> {
	title: string;
	rows: readonly T[];
	made: T;
	add: string;
	onRows(rows: T[]): void;
	children(row: T, change: (part: Partial<T>) => void, i: number): React.ReactNode;
}

/** A list whose rows are edited in place, added and taken out. */
function Rows<T>({ title, rows, made, add, onRows, children }: RowsProps<T>) {
	return (
		<section aria-label={title}>
			<h2 className="mb-1">{title}</h2>
			<ul className="ruled">
				{rows.map((row, i) => (
					<li key={i} className="flex items-end gap-2 py-1.5">
						{children(row, (part) => onRows(rows.map((one, k) => (k === i ? { ...one, ...part } : one))), i)}
						<button
							type="button"
							className="btn btn-ghost btn-sm h-9 max-lg:h-11"
							aria-label={`Take out ${i + 1} of ${title}`}
							onClick={() => onRows(rows.filter((_, k) => k !== i))}
						>
							out
						</button>
					</li>
				))}
			</ul>
			<button type="button" className="btn btn-sm mt-1.5 max-lg:h-11" onClick={() => onRows([...rows, made])}>
				{add}
			</button>
		</section>
	);
}

function Zones({ form, onZones }: { form: KilnForm; onZones(zones: KilnZone[]): void }) {
	const made = { name: "a corner", xMm: 0, yMm: 0, widthMm: 100, heightMm: 100, offsetK: -5 };
	return (
		<Rows title="Zones, against the middle" rows={form.zones} made={made} add="Add a zone" onRows={onZones}>
			{(zone, change) => (
				<span className="grid grow grid-cols-3 gap-1.5">
					<TextField compact label="Where" value={zone.name} onChange={(name) => change({ name })} />
					<NumberField
						compact
						kind="count"
						label="Hotter by, K"
						value={zone.offsetK}
						onChange={(k) => change({ offsetK: k ?? Number.NaN })}
					/>
					<span />
					<NumberField
						compact
						kind="length"
						label="From left"
						value={zone.xMm}
						onChange={(mm) => change({ xMm: mm ?? Number.NaN })}
					/>
					<NumberField
						compact
						kind="length"
						label="Wide"
						value={zone.widthMm}
						onChange={(mm) => change({ widthMm: mm ?? Number.NaN })}
					/>
					<span />
					<NumberField
						compact
						kind="length"
						label="From back"
						value={zone.yMm}
						onChange={(mm) => change({ yMm: mm ?? Number.NaN })}
					/>
					<NumberField
						compact
						kind="length"
						label="Deep"
						value={zone.heightMm}
						onChange={(mm) => change({ heightMm: mm ?? Number.NaN })}
					/>
				</span>
			)}
		</Rows>
	);
}

function Shelves({ shelves, onShelves }: { shelves: readonly KilnShelf[]; onShelves(shelves: KilnShelf[]): void }) {
	return (
		<Rows
			title="Shelves"
			rows={shelves}
			made={{ name: "shelf", release: "washed", usesSince: 0 }}
			add="Add a shelf"
			onRows={onShelves}
		>
			{(shelf, change) => (
				<span className="grid grow grid-cols-[1fr_110px_90px] gap-1.5">
					<TextField compact label="Shelf" value={shelf.name} onChange={(name) => change({ name })} />
					<ChoiceField
						compact
						label="Release"
						value={shelf.release}
						options={plain(RELEASES)}
						onChange={(release) => change({ release, usesSince: 0 })}
					/>
					<NumberField
						compact
						kind="count"
						label="Firings since"
						value={shelf.usesSince}
						onChange={(n) => change({ usesSince: n ?? Number.NaN })}
					/>
				</span>
			)}
		</Rows>
	);
}

function Tasks({ tasks, onTasks }: { tasks: readonly UpkeepTask[]; onTasks(tasks: UpkeepTask[]): void }) {
	return (
		<Rows
			title="Upkeep that comes round"
			rows={tasks}
			made={{ what: "task", everyFirings: 10, sinceFirings: 0 }}
			add="Add a task"
			onRows={onTasks}
		>
			{(task, change) => (
				<span className="grid grow grid-cols-[1fr_80px_80px] gap-1.5">
					<TextField compact label="Task" value={task.what} onChange={(what) => change({ what })} />
					<NumberField
						compact
						kind="count"
						label="Every"
						value={task.everyFirings}
						onChange={(n) => change({ everyFirings: n ?? Number.NaN })}
					/>
					<NumberField
						compact
						kind="count"
						label="Since"
						value={task.sinceFirings}
						onChange={(n) => change({ sinceFirings: n ?? Number.NaN })}
					/>
				</span>
			)}
		</Rows>
	);
}
