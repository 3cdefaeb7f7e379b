import type { Kept } from "@contract/glass";
import {
	CHEMISTRY,
	COATINGS,
	FRIT_GRADES,
	GLASS_FORMS,
	type Glass,
	type GlassForm,
	isStriker,
	OPACITIES,
	PLAIN_SHEET,
} from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, Field, NumberField, TextField } from "../../forms/fields";
import { MoneyField } from "../../forms/money-field";
import { useActForm } from "../../forms/use-act-form";
import { formatMoney } from "../../lib/money";
import { useFigure } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { LazyImport } from "../../ui/lazy-import";
import { PutAway, useAway } from "../../ui/put-away";
import { BookForm, plain, shortId, TwoColumns } from "../../ui/two-columns";

const PRICED: Record<GlassForm, string> = {
	sheet: "a m²",
	frit: "a kg",
	stringer: "a metre",
	ribbon: "a metre",
	cane: "a metre",
};

/** Every glass as it stands on the shelf: as bought and as fired, by family and form. */
export function GlassShelf({ view, frame }: StationProps<"books">) {
	const [open, setOpen] = useState<Kept<Glass> | undefined>();
	const mayEdit = frame.person.role === "instructor";
	const { listed, toggle } = useAway(view.glasses);
	const inOrder = GLASS_FORMS.flatMap((form) => listed.filter((glass) => glass.form === form));
	const shelves = [...groupBy(inOrder, ({ familyId, form }) => `${familyId} ${form}`).values()];
	return (
		<TwoColumns
			away={toggle}
			add={
				mayEdit && {
					label: "Add a glass",
					onAdd: () =>
						setOpen({ ...PLAIN_SHEET, id: shortId(), revision: 0, name: "", familyId: view.families[0]?.id ?? "" }),
				}
			}
			list={shelves.map((glasses) => {
				const first = glasses[0] as Glass;
				const family = view.families.find(({ id }) => id === first.familyId);
				return (
					<section key={`${first.familyId} ${first.form}`} className="mb-4">
						<h2 className="mb-1.5">
							family {family?.label ?? first.familyId}
							{family?.tested === false && ", untested"} · {first.form}
						</h2>
						<ul className="grid grid-cols-[repeat(auto-fill,minmax(118px,1fr))] gap-x-2 gap-y-3 border-b-4 border-primary/80 pb-0.5">
							{glasses.map((glass) => (
								<li key={glass.id}>
									<Slab
										glass={glass}
										chosen={glass.id === open?.id}
										currency={view.currency}
										onOpen={() => setOpen(glass)}
									/>
								</li>
							))}
						</ul>
					</section>
				);
			})}
			open={
				open ? (
					<GlassFields key={open.id} glass={open} view={view} mayEdit={mayEdit} onDone={setOpen} />
				) : (
					<div className="flex flex-col gap-3">
						<p className="text-soft">
							Choose a glass to see and change what is known of it: forms, tags, faces, price.
						</p>
						{mayEdit && view.currency && (
							<LazyImport
								label="Take a list as CSV …"
								load={async () => (await import("./glass-import")).default}
								with={{ known: view.glasses, families: view.families, currency: view.currency }}
							/>
						)}
					</div>
				)
			}
		/>
	);
}

function Slab({
	glass,
	chosen,
	currency,
	onOpen,
}: {
	glass: Glass;
	chosen: boolean;
	currency: string | null;
	onOpen(): void;
}) {
	const figure = useFigure();
	const tags = [
		glass.form === "frit" ? glass.grade : figure({ mm: glass.thicknessMm }),
		glass.retired && "put away",
		isStriker(glass) && "striker",
		glass.coating !== "none" && glass.coating,
		glass.directed && "streaky",
		glass.fused && "fused before",
		glass.roughFace && "rough face",
		...glass.chemistry,
	].filter(Boolean);
	return (
		<button
			type="button"
			aria-pressed={chosen}
			className={`flex h-full w-full flex-col text-left ${chosen ? "outline-3 outline-secondary" : "hover:outline-2 hover:outline-line"}`}
			onClick={onOpen}
		>
			<svg
				viewBox="0 0 118 46"
				preserveAspectRatio="none"
				className="h-12 w-full"
				role="img"
				aria-label={`${glass.name}, left as bought, right as fired`}
			>
				<rect width="59" height="46" fill={glass.boughtColour} />
				<rect x="59" width="59" height="46" fill={glass.firedColour} />
				{glass.directed && <path d="M0 8H118M0 19H118M0 33H118" stroke="#ffffff66" strokeWidth="2" />}
				<path d="M0 0.5H118V45.5H0Z" fill="none" stroke="#00000033" />
			</svg>
			<span className="min-w-0 px-1 pt-1 pb-1.5">
				<b className="block truncate">{glass.name}</b>
				<span className="figure block truncate text-[12.5px] text-soft">{tags.join(", ")}</span>
				{currency && glass.priceMinor !== null && (
					<span className="figure block text-[12.5px] text-soft">
						{formatMoney(glass.priceMinor, currency)} {PRICED[glass.form]}
					</span>
				)}
			</span>
		</button>
	);
}

interface FormProps {
	glass: Kept<Glass>;
	view: StationProps<"books">["view"];
	mayEdit: boolean;
	onDone(glass: Kept<Glass> | undefined): void;
}

function GlassFields({ glass: start, view, mayEdit, onDone }: FormProps) {
	const { revision, retired: _, ...row } = start;
	const retired = view.glasses.find(({ id }) => id === start.id)?.retired;
	const form = useActForm("saveGlass", {
		start: { glass: row, revision },
		schema: async () => (await import("@contract/glass")).actions.saveGlass,
		done: (kept, { glass }) => onDone({ ...start, ...glass, revision: kept.revision }),
	});
	const { glass } = form.values;
	const set = (change: Partial<Glass>) => form.set("glass", { ...glass, ...change });
	const striker = isStriker(glass);
	return (
		<BookForm
			name="Glass"
			mayEdit={mayEdit}
			form={form}
			below={
				mayEdit &&
				retired !== undefined && (
					<PutAway what="glass" id={start.id} name={start.name} retired={retired} onStruck={() => onDone(undefined)} />
				)
			}
		>
			<TextField label="Name" {...form.field("glass.name")} />
			<div className="grid grid-cols-2 gap-3">
				<ChoiceField
					label="Family"
					{...form.field("glass.familyId")}
					options={view.families.map(({ id, label }) => ({ value: id, label }))}
				/>
				<ChoiceField
					label="Form"
					value={glass.form}
					onChange={(form) => set({ form, grade: form === "frit" ? (glass.grade ?? "fine") : null })}
					options={plain(GLASS_FORMS)}
				/>
				{glass.form === "frit" ? (
					<ChoiceField
						label="Grade"
						value={glass.grade ?? "fine"}
						onChange={(grade) => set({ grade })}
						options={plain(FRIT_GRADES)}
					/>
				) : (
					<NumberField
						kind="length"
						label={glass.form === "sheet" ? "Thickness" : glass.form === "ribbon" ? "Height" : "Diameter"}
						{...form.number("glass.thicknessMm")}
					/>
				)}
				{glass.form === "ribbon" && <NumberField kind="length" label="Width" {...form.field("glass.widthMm")} />}
				<ChoiceField label="How clear" {...form.field("glass.opacity")} options={plain(OPACITIES)} />
				<ChoiceField
					label="Heats as"
					{...form.field("glass.tone")}
					options={[
						{ value: "other", label: "usual" },
						{ value: "dark", label: "dark opaque" },
						{ value: "white", label: "white opaque" },
					]}
				/>
				<ChoiceField label="Coating" {...form.field("glass.coating")} options={plain(COATINGS)} />
				<ColourField
					label="As bought"
					value={glass.boughtColour}
					onChange={(boughtColour) => set({ boughtColour, ...(!striker && { firedColour: boughtColour }) })}
				/>
				<ColourField label="As fired" value={glass.firedColour} onChange={(firedColour) => set({ firedColour })} />
			</div>
			<fieldset>
				<legend className="font-semibold">Chemistry that reacts</legend>
				<div className="grid grid-cols-3">
					{CHEMISTRY.map((one) => (
						<Check
							key={one}
							label={one}
							checked={glass.chemistry.includes(one)}
							onChange={(on) =>
								set({ chemistry: CHEMISTRY.filter((tag) => (tag === one ? on : glass.chemistry.includes(tag))) })
							}
						/>
					))}
				</div>
			</fieldset>
			<div className="grid grid-cols-2">
				<Check label="one face rough" checked={glass.roughFace} onChange={(roughFace) => set({ roughFace })} />
				<Check label="streaks run along it" checked={glass.directed} onChange={(directed) => set({ directed })} />
				{glass.form === "sheet" && (
					<Check label="a slab fused before" checked={glass.fused ?? false} onChange={(fused) => set({ fused })} />
				)}
			</div>
			{view.currency && (
				<MoneyField
					label={`Price ${PRICED[glass.form]}`}
					currency={view.currency}
					value={glass.priceMinor}
					onChange={(priceMinor) => set({ priceMinor })}
					hint="Empty: not priced. Assistants do not see it."
				/>
			)}
		</BookForm>
	);
}

function ColourField({ label, value, onChange }: { label: string; value: string; onChange(value: string): void }) {
	return (
		<Field label={label}>
			{({ id }) => (
				<input
					id={id}
					type="color"
					className="h-11 w-full rounded border border-line"
					value={value}
					onChange={(event) => onChange(event.target.value)}
				/>
			)}
		</Field>
	);
}
