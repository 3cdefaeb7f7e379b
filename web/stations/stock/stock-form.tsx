import type { StockRow } from "@contract/stock";
import { SHAPE_KINDS } from "@core/geometry/shape";
import { choosable } from "@core/glass/glass";
import {
	BOUGHT_SINGLY,
	hasSides,
	isGlass,
	STOCK_KINDS,
	type StockItem,
	type StockKind,
	unitOf,
} from "@core/stock/kinds";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { MoneyField } from "../../forms/money-field";
import { useActForm } from "../../forms/use-act-form";
import type { StationProps } from "../../ui/frame/framed";
import { SHAPE_WORDS } from "../../ui/part-words";
import { BookForm } from "../../ui/two-columns";
import { KIND_WORDS } from "./stock-words";

interface Props {
	item: StockRow;
	view: StationProps<"stock">["view"];
	mayEdit: boolean;
	onDone(id: string): void;
}

/** A new line of the stock, of the kind that was asked for. */
export const newItem = (kind: StockKind): StockRow => ({
	id: crypto.randomUUID(),
	kind,
	glassId: null,
	name: "",
	widthMm: null,
	heightMm: null,
	sizeMm: null,
	place: "",
	...BOUGHT_SINGLY,
	fromItemId: null,
	revision: 0,
	retired: false,
	amount: 1,
	countedAt: null,
});

const SIZE_LABELS: Partial<Record<StockKind, string>> = {
	thread: "Length of one",
	finding: "Size, if it has one",
	component: "Across",
};

/** What is written of something in the stock; an assistant writes down glass that came back, and nothing else. */
export function StockForm(props: Props) {
	return props.mayEdit ? <ItemForm {...props} /> : <ReturnForm {...props} />;
}

function ItemForm({ item: start, view, mayEdit, onDone }: Props) {
	const { revision, retired: _, amount, countedAt: __, ...item } = start;
	const form = useActForm("saveStock", {
		start: { item, revision, amount: revision === 0 ? amount : null },
		schema: async () => (await import("@contract/stock")).actions.saveStock,
		sent: ({ item: typed, ...rest }) => ({ ...rest, item: fitting(typed) }),
		done: ({ itemId }) => onDone(itemId),
	});
	const { item: now } = form.values;
	const { kind } = now;
	const grams = unitOf(kind) === "g";
	return (
		<BookForm name="Stock" mayEdit={mayEdit} form={form}>
			<ChoiceField
				label="What it is"
				options={STOCK_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
				{...form.field("item.kind")}
			/>
			{isGlass(kind) && <GlassChoice view={view} kind={kind} value={now.glassId} field={form.field("item.glassId")} />}
			{kind === "precut" ? (
				<ChoiceField
					label="Shape"
					options={[
						{ value: "", label: "choose …" },
						...SHAPE_KINDS.map((value) => ({ value, label: SHAPE_WORDS[value] })),
					]}
					{...form.field("item.name")}
				/>
			) : (
				<TextField
					label={kind === "offcut" ? "Mark on it" : isGlass(kind) && now.glassId ? "Called (may be empty)" : "Called"}
					{...form.field("item.name")}
				/>
			)}
			<div className="grid grid-cols-2 gap-3">
				{(hasSides(kind) || kind === "apart") && (
					<>
						<NumberField kind="length" label="Width" {...form.number("item.widthMm")} />
						<NumberField kind="length" label="Height" {...form.number("item.heightMm")} />
					</>
				)}
				{SIZE_LABELS[kind] && <NumberField kind="length" label={SIZE_LABELS[kind]} {...form.number("item.sizeMm")} />}
				{revision === 0 && (
					<NumberField kind={grams ? "mass" : "count"} label="How much is there" {...form.number("amount")} />
				)}
				<TextField label="Where it stands" {...form.field("item.place")} />
				{kind !== "offcut" && kind !== "apart" && (
					<>
						<NumberField kind={grams ? "mass" : "count"} label="Buy again at" {...form.number("item.low")} />
						<NumberField kind={grams ? "mass" : "count"} label="Bought by" {...form.number("item.buyAmount")} />
						{view.currency && (
							<MoneyField label="Price of that" currency={view.currency} {...form.number("item.priceMinor")} />
						)}
					</>
				)}
			</div>
			{kind !== "offcut" && kind !== "apart" && (
				<TextField label="Supplier’s note" multiline {...form.field("item.supplier")} />
			)}
		</BookForm>
	);
}

/** Only what its kind has: a change of mind leaves no size behind. */
function fitting(item: StockItem): StockItem {
	const sided = hasSides(item.kind) || item.kind === "apart";
	return {
		...item,
		glassId: isGlass(item.kind) ? item.glassId || null : null,
		widthMm: sided ? item.widthMm : null,
		heightMm: sided ? item.heightMm : null,
		sizeMm: SIZE_LABELS[item.kind] ? item.sizeMm : null,
	};
}

const FORMS: Partial<Record<StockKind, readonly string[]>> = {
	sheet: ["sheet"],
	precut: ["sheet"],
	offcut: ["sheet"],
	grains: ["frit"],
	thread: ["stringer", "ribbon", "cane"],
};

interface GlassProps {
	view: StationProps<"stock">["view"];
	kind: StockKind;
	value: string | null;
	field: { error?: string | undefined; onChange(value: string): void };
	/** Said where no glass is chosen. */
	none?: string;
}

function GlassChoice({ view, kind, value, field, none = "choose …" }: GlassProps) {
	const forms = FORMS[kind];
	const glasses = choosable(view.glasses, value ?? undefined).filter(({ form }) => !forms || forms.includes(form));
	return (
		<ChoiceField
			label="Glass"
			options={[
				{ value: "", label: none },
				...glasses.map(({ id, name, familyId }) => ({ value: id, label: `${name}, family ${familyId}` })),
			]}
			{...field}
			value={value ?? ""}
		/>
	);
}

/** Glass that came back: what it is if somebody knows, how large, where it is put. */
function ReturnForm({ item, view, onDone }: Props) {
	const form = useActForm("returnGlass", {
		start: {
			itemId: item.id,
			eventId: item.id,
			glassId: "",
			name: "",
			widthMm: Number.NaN,
			heightMm: Number.NaN,
			place: "",
		},
		schema: async () => (await import("@contract/stock")).actions.returnGlass,
		sent: ({ glassId, ...rest }) => ({ ...rest, glassId: glassId || null }),
		done: ({ itemId }) => onDone(itemId),
	});
	return (
		<BookForm name="Glass" mayEdit form={form}>
			<p className="text-soft">
				Known glass becomes an offcut of its family. What nobody knows is set apart and never cut for a kit: two
				families in one piece crack.
			</p>
			<GlassChoice
				view={view}
				kind="offcut"
				value={form.values.glassId}
				field={form.field("glassId")}
				none="nobody knows: set it apart"
			/>
			<TextField label="Mark on it" {...form.field("name")} />
			<div className="grid grid-cols-2 gap-3">
				<NumberField kind="length" label="Width" {...form.number("widthMm")} />
				<NumberField kind="length" label="Height" {...form.number("heightMm")} />
			</div>
			<TextField label="Where it is put" {...form.field("place")} />
		</BookForm>
	);
}
