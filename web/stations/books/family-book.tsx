import { type GlassFamily, SOAK_SCHOOLS } from "@core/glass/family";
import { LOG_ETA, temperatureAt, viscosityOf } from "@core/glass/viscosity";
import { useState } from "react";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { Check, ChoiceField, NumberField, TextField } from "../../ui/fields";
import type { StationProps } from "../../ui/framed";
import { Caution, troubleAt } from "../../ui/notice";
import { BookForm, shortId, TwoColumns } from "./two-columns";

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
	const [open, setOpen] = useState<GlassFamily | undefined>();
	const mayEdit = frame.person.role === "instructor";
	return (
		<TwoColumns
			add={mayEdit && { label: "Add a family", onAdd: () => setOpen({ ...NEW_FAMILY, id: shortId() }) }}
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
					<FamilyForm key={open.id} family={open} mayEdit={mayEdit} onDone={setOpen} />
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
	family: GlassFamily;
	mayEdit: boolean;
	onDone(family: GlassFamily): void;
}) {
	const [family, setFamily] = useState(start);
	const save = useAct("saveFamily", () => onDone(family));
	const set = (change: Partial<GlassFamily>) => setFamily({ ...family, ...change });
	const error = (field: string) => troubleAt(save.error, field);
	const point = (label: string, key: "annealingC" | "softeningC" | "workingC", hint: string) => (
		<NumberField
			kind="temperature"
			label={label}
			hint={hint}
			value={family[key]}
			error={error(key)}
			onChange={(c) => set({ [key]: c ?? Number.NaN })}
		/>
	);
	return (
		<BookForm
			name="Family"
			mayEdit={mayEdit}
			pending={save.isPending}
			saved={save.isSuccess && family === save.variables?.family}
			error={save.error}
			ownErrors={["label", "expansionE7PerK", "annealingC", "softeningC", "workingC"]}
			onSave={() => save.mutate({ family })}
		>
			<TextField label="Name" value={family.label} onChange={(label) => set({ label })} error={error("label")} />
			<NumberField
				kind="count"
				label="Expansion, × 10⁻⁷ a kelvin"
				value={family.expansionE7PerK}
				error={error("expansionE7PerK")}
				onChange={(value) => set({ expansionE7PerK: value ?? Number.NaN })}
			/>
			{point("Annealing point", "annealingC", "10¹² Pa·s, ISO 7884-1")}
			{point("Softening point", "softeningC", "10⁶·⁶ Pa·s")}
			{point("Working point", "workingC", "10³ Pa·s")}
			<ChoiceField
				label="Anneal soak"
				value={family.soakSchool ?? ""}
				onChange={(school) => set({ soakSchool: school === "" ? null : school })}
				options={[
					{ value: "" as const, label: "as the studio does" },
					...SOAK_SCHOOLS.map((value) => ({ value, label: SOAK_WORDS[value] })),
				]}
			/>
			<Check
				label="tested: the maker or a strain test says its glasses fit"
				checked={family.tested}
				onChange={(tested) => set({ tested })}
			/>
		</BookForm>
	);
}
