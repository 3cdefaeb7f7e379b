import type { Kept } from "@contract/glass";
import { type GlassFamily, SOAK_SCHOOLS } from "@core/glass/family";
import { LOG_ETA, temperatureAt, viscosityOf } from "@core/glass/viscosity";
import { useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Caution } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useFigure } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { BookForm, shortId, TwoColumns } from "../../ui/two-columns";
import { StrainTests } from "./strain-tests";

const SOAK_WORDS = { lower: "lower, near the strain point", atAnnealingPoint: "at the annealing point" } as const;

const NEW_FAMILY: Omit<GlassFamily, "id"> = {
	label: "",
	expansionE7PerK: 90,
	annealingC: 516,
	softeningC: 677,
	workingC: 930,
	tested: false,
	soakSchool: null,
};

/** Families with their fixed points: everything about heat follows from these three temperatures. */
export function FamilyBook({ view, frame }: StationProps<"books">) {
	const figure = useFigure();
	const [open, setOpen] = useState<Kept<GlassFamily> | undefined>();
	const mayEdit = frame.person.role === "instructor";
	return (
		<TwoColumns
			add={mayEdit && { label: "Add a family", onAdd: () => setOpen({ ...NEW_FAMILY, id: shortId(), revision: 0 }) }}
			list={
				<>
					<p className="mb-3 max-w-prose text-soft">
						The starting figures are generic and from memory. Type the glass maker’s own fixed points: every peak, soak
						and flow index is reckoned from them.
					</p>
					<table className="figure w-full border-collapse">
						<thead>
							<tr className="text-left text-soft">
								{["Family", "Expansion", "Strain", "Annealing", "Softening", "Working", "Soak", ""].map((word) => (
									<th key={word} scope="col" className="py-1.5 pr-3 font-semibold">
										{word}
									</th>
								))}
							</tr>
						</thead>
						<tbody>
							{view.families.map((family) => (
								<tr key={family.id} className={`border-t border-line ${family.id === open?.id ? "bg-pick" : ""}`}>
									<th scope="row" className="py-2 pr-3 text-left text-lg font-bold">
										{family.label}
										{!family.tested && <span className="block text-[13px] font-semibold text-error">untested</span>}
									</th>
									<td className="pr-3">{family.expansionE7PerK} × 10⁻⁷/K</td>
									<td className="pr-3 text-soft">
										{figure({ c: temperatureAt(viscosityOf(family), LOG_ETA.strain) })}
									</td>
									<td className="pr-3">{figure({ c: family.annealingC })}</td>
									<td className="pr-3">{figure({ c: family.softeningC })}</td>
									<td className="pr-3">{figure({ c: family.workingC })}</td>
									<td className="pr-3 text-soft">
										{family.soakSchool ? SOAK_WORDS[family.soakSchool] : "as the studio"}
									</td>
									<td className="text-right">
										<button type="button" className="btn btn-sm" onClick={() => setOpen(family)}>
											Open
										</button>
									</td>
								</tr>
							))}
						</tbody>
					</table>
				</>
			}
			open={
				open ? (
					<>
						<FamilyForm key={open.id} family={open} mayEdit={mayEdit} onDone={setOpen} />
						{!open.tested && <StrainTests view={view} familyId={open.id} mayRead={mayEdit} />}
					</>
				) : (
					<Caution>
						The same number is not yet proof that two glasses fit. The maker’s statement or a strain test is.
					</Caution>
				)
			}
		/>
	);
}

function FamilyForm({
	family: start,
	mayEdit,
	onDone,
}: {
	family: Kept<GlassFamily>;
	mayEdit: boolean;
	onDone(family: Kept<GlassFamily>): void;
}) {
	const { revision, ...row } = start;
	const form = useActForm("saveFamily", {
		start: { family: row, revision },
		schema: async () => (await import("@contract/glass")).actions.saveFamily,
		done: (kept, { family }) => onDone({ ...start, ...family, revision: kept.revision }),
	});
	const { family } = form.values;
	const point = (label: string, key: "annealingC" | "softeningC" | "workingC", hint: string) => (
		<NumberField kind="temperature" label={label} hint={hint} {...form.number(`family.${key}`)} />
	);
	return (
		<BookForm name="Family" mayEdit={mayEdit} form={form}>
			<TextField label="Name" {...form.field("family.label")} />
			<NumberField kind="count" label="Expansion, × 10⁻⁷ a kelvin" {...form.number("family.expansionE7PerK")} />
			{point("Annealing point", "annealingC", "10¹² Pa·s, ISO 7884-1")}
			{point("Softening point", "softeningC", "10⁶·⁶ Pa·s")}
			{point("Working point", "workingC", "10³ Pa·s")}
			<ChoiceField
				label="Anneal soak"
				value={family.soakSchool ?? ""}
				onChange={(school) => form.set("family.soakSchool", school === "" ? null : school)}
				options={[
					{ value: "" as const, label: "as the studio does" },
					...SOAK_SCHOOLS.map((value) => ({ value, label: SOAK_WORDS[value] })),
				]}
			/>
			<Check
				label="tested: the maker or a strain test says its glasses fit"
				checked={family.tested}
				onChange={(tested) => form.set("family.tested", tested)}
			/>
		</BookForm>
	);
}
