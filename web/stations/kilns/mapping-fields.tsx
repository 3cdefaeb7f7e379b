import { isDated, type LogMapping, type TimeForm } from "@core/kiln/log";
import { ChoiceField } from "../../forms/fields";

const TIME_WORDS: Record<TimeForm, string> = {
	instant: "date (year first) and time",
	dayFirst: "date (day first) and time",
	monthFirst: "date (month first) and time",
	clock: "clock only",
	seconds: "seconds counted",
	minutes: "minutes counted",
	hours: "hours counted",
};

interface Props {
	/** Names of the columns, in their order. */
	columns: readonly string[];
	mapping: LogMapping;
	onChange(change: Partial<LogMapping>): void;
	/** Only times that say their day. */
	dated?: boolean;
}

/** What the columns of a log mean: of one that is brought in, and of a recorder that is confirmed. */
export function MappingFields({ columns, mapping, onChange, dated = false }: Props) {
	const all = columns.map((label, i) => ({ value: String(i), label }));
	const forms = (Object.keys(TIME_WORDS) as TimeForm[]).filter((form) => !dated || isDated(form));
	const optional = (label: string, key: "set" | "duty" | "kwh") => (
		<ChoiceField<string>
			compact
			label={label}
			value={mapping[key] === null ? "" : String(mapping[key])}
			options={[{ value: "", label: "none" }, ...all]}
			onChange={(value) => onChange({ [key]: value === "" ? null : Number(value) })}
		/>
	);
	return (
		<>
			<ChoiceField<string>
				compact
				label="Temperature"
				value={String(mapping.air)}
				options={all}
				onChange={(value) => onChange({ air: Number(value) })}
			/>
			<ChoiceField<"C" | "F">
				compact
				label="in"
				value={mapping.unit}
				options={[
					{ value: "C", label: "°C" },
					{ value: "F", label: "°F" },
				]}
				onChange={(unit) => onChange({ unit })}
			/>
			<ChoiceField<string>
				compact
				label="Time"
				value={String(mapping.time.column)}
				options={all}
				onChange={(value) => onChange({ time: { ...mapping.time, column: Number(value) } })}
			/>
			<ChoiceField<TimeForm>
				compact
				label="written as"
				value={mapping.time.as}
				options={forms.map((value) => ({ value, label: TIME_WORDS[value] }))}
				onChange={(as) => onChange({ time: { ...mapping.time, as } })}
			/>
			<ChoiceField<"." | ",">
				compact
				label="Decimal sign"
				value={mapping.decimal}
				options={[
					{ value: ".", label: "point, 821.5" },
					{ value: ",", label: "comma, 821,5" },
				]}
				onChange={(decimal) => onChange({ decimal })}
			/>
			{optional("Set point", "set")}
			{optional("Energy, kWh", "kwh")}
			{optional("Duty", "duty")}
			<ChoiceField<"share" | "percent">
				compact
				label="as"
				value={mapping.dutyIn}
				options={[
					{ value: "share", label: "0 to 1" },
					{ value: "percent", label: "0 to 100 %" },
				]}
				onChange={(dutyIn) => onChange({ dutyIn })}
			/>
		</>
	);
}
