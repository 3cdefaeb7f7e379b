import type { KilnForm } from "@contract/documents/kiln";
import type { KilnFixture, KilnZone, UpperShelf } from "@core/kiln/record";
import { RELEASES } from "@core/kit/mould";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";

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

/** A number of a row; it has to be there. */
function Cell(props: {
	label: string;
	kind?: "length" | "count" | "step";
	value: number;
	onChange(value: number): void;
}) {
	const { label, kind = "count", value, onChange } = props;
	return (
		<NumberField compact kind={kind} label={label} value={value} onChange={(one) => onChange(one ?? Number.NaN)} />
	);
}

export function Zones({ form, onZones }: { form: KilnForm; onZones(zones: KilnZone[]): void }) {
	const made = { name: "a corner", xMm: 0, yMm: 0, widthMm: 100, heightMm: 100, offsetK: -5 };
	return (
		<Rows title="Zones, against the middle" rows={form.zones} made={made} add="Add a zone" onRows={onZones}>
			{(zone, change) => (
				<span className="grid grow grid-cols-3 gap-1.5">
					<TextField compact label="Where" value={zone.name} onChange={(name) => change({ name })} />
					<Cell kind="step" label="Hotter by" value={zone.offsetK} onChange={(offsetK) => change({ offsetK })} />
					<span />
					<Cell kind="length" label="From left" value={zone.xMm} onChange={(xMm) => change({ xMm })} />
					<Cell kind="length" label="Wide" value={zone.widthMm} onChange={(widthMm) => change({ widthMm })} />
					<span />
					<Cell kind="length" label="From back" value={zone.yMm} onChange={(yMm) => change({ yMm })} />
					<Cell kind="length" label="Deep" value={zone.heightMm} onChange={(heightMm) => change({ heightMm })} />
				</span>
			)}
		</Rows>
	);
}

const FIXTURE_WORDS = [
	{ value: "post" as const, label: "post" },
	{ value: "thermocouple" as const, label: "thermocouple" },
];

/** Posts take room on the shelf; a thermocouple reaches over it. */
export function Fixtures(props: { fixtures: readonly KilnFixture[]; onFixtures(fixtures: KilnFixture[]): void }) {
	const made: KilnFixture = { kind: "post", xMm: 60, yMm: 60, acrossMm: 38 };
	return (
		<Rows title="Posts and thermocouple" rows={props.fixtures} made={made} add="Add one" onRows={props.onFixtures}>
			{(fixture, change) => (
				<span className="grid grow grid-cols-2 gap-1.5">
					<ChoiceField
						compact
						label="What"
						value={fixture.kind}
						options={FIXTURE_WORDS}
						onChange={(kind) => change({ kind })}
					/>
					<Cell
						kind="length"
						label="Across it"
						value={fixture.acrossMm}
						onChange={(acrossMm) => change({ acrossMm })}
					/>
					<Cell kind="length" label="Middle from left" value={fixture.xMm} onChange={(xMm) => change({ xMm })} />
					<Cell kind="length" label="Middle from back" value={fixture.yMm} onChange={(yMm) => change({ yMm })} />
				</span>
			)}
		</Rows>
	);
}

/** Shelves that may stand over the lowest one, each on its own posts. */
export function UpperShelves(props: { upper: readonly UpperShelf[]; onUpper(upper: UpperShelf[]): void }) {
	const made: UpperShelf = { postMm: 60, offsetK: 0 };
	return (
		<Rows
			title="Shelves above it, on posts"
			rows={props.upper}
			made={made}
			add="Add a shelf above"
			onRows={props.onUpper}
		>
			{(shelf, change) => (
				<span className="grid grow grid-cols-2 gap-1.5">
					<Cell kind="length" label="On posts of" value={shelf.postMm} onChange={(postMm) => change({ postMm })} />
					<Cell kind="step" label="Hotter by" value={shelf.offsetK} onChange={(offsetK) => change({ offsetK })} />
				</span>
			)}
		</Rows>
	);
}

interface ShelvesProps {
	shelves: KilnForm["shelves"];
	/** Firings since each was renewed, by its name. */
	uses: Partial<Record<string, number>>;
	onShelves(shelves: KilnForm["shelves"]): void;
	onUses(name: string, uses: number): void;
}

export function Shelves({ shelves, uses, onShelves, onUses }: ShelvesProps) {
	const made = { name: `shelf ${shelves.length + 1}`, release: "washed" as const };
	return (
		<Rows title="Shelves" rows={shelves} made={made} add="Add a shelf" onRows={onShelves}>
			{(shelf, change) => (
				<span className="grid grow grid-cols-[1fr_110px_90px] gap-1.5">
					<TextField compact label="Shelf" value={shelf.name} onChange={(name) => change({ name })} />
					<ChoiceField
						compact
						label="Release"
						value={shelf.release}
						options={RELEASES.map((value) => ({ value, label: value }))}
						onChange={(release) => {
							change({ release });
							onUses(shelf.name, 0);
						}}
					/>
					<Cell label="Firings since" value={uses[shelf.name] ?? 0} onChange={(n) => onUses(shelf.name, n)} />
				</span>
			)}
		</Rows>
	);
}

interface TasksProps {
	tasks: KilnForm["upkeep"];
	/** Firings since each was done, by its words. */
	since: Partial<Record<string, number>>;
	onTasks(tasks: KilnForm["upkeep"]): void;
	onSince(what: string, firings: number): void;
}

export function Tasks({ tasks, since, onTasks, onSince }: TasksProps) {
	const made = { what: `task ${tasks.length + 1}`, everyFirings: 10 };
	return (
		<Rows title="Upkeep that comes round" rows={tasks} made={made} add="Add a task" onRows={onTasks}>
			{(task, change) => (
				<span className="grid grow grid-cols-[1fr_80px_80px] gap-1.5">
					<TextField compact label="Task" value={task.what} onChange={(what) => change({ what })} />
					<Cell label="Every" value={task.everyFirings} onChange={(everyFirings) => change({ everyFirings })} />
					<Cell label="Since" value={since[task.what] ?? 0} onChange={(n) => onSince(task.what, n)} />
				</span>
			)}
		</Rows>
	);
}
