import { ChoiceField, NumberField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import type { StationProps } from "../../ui/frame/framed";

/** Puts a kit on the class's cut list. */
export function PlanForm({ view, sessionId }: { view: StationProps<"cut">["view"]; sessionId: string }) {
	const coloursOf = (kitId: string) => view.kits.find(({ id }) => id === kitId)?.palettes ?? [];
	const form = useActForm("planCut", {
		start: { sessionId, kitId: view.kits[0]?.id ?? "", paletteId: "", kits: view.session?.students ?? 8 },
		// Colours of a kit that was chosen before are none of this one's.
		sent: (values) => ({
			...values,
			paletteId: coloursOf(values.kitId).some(({ id }) => id === values.paletteId) ? values.paletteId : "",
		}),
		schema: async () => (await import("@contract/cutting")).actions.planCut,
	});
	const palettes = coloursOf(form.values.kitId);
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<h1 className="text-xl">Plan a kit</h1>
			<ChoiceField
				label="Kit"
				options={view.kits.map(({ id, name }) => ({ value: id, label: name }))}
				{...form.field("kitId")}
			/>
			{palettes.length > 0 && (
				<ChoiceField
					label="Colours"
					options={[
						{ value: "", label: "as it was drawn" },
						...palettes.map(({ id, name }) => ({ value: id, label: name })),
					]}
					{...form.field("paletteId")}
				/>
			)}
			<NumberField
				kind="count"
				label="How many"
				hint={`${view.session?.students ?? 0} students in this class`}
				{...form.number("kits")}
			/>
			<Problems problems={form.others()} />
			<button type="submit" className="btn btn-primary" disabled={form.pending}>
				Put on the list
			</button>
		</form>
	);
}
