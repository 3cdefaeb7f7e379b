import { at } from "@core/result";
import { lengthFigure, parseLengthMm } from "@core/units/length";
import { CM2_PER_IN2 } from "@core/units/phrase";
import { fahrenheit, fahrenheitStep, parseStepK, parseTemperatureC } from "@core/units/temperature";
import { firstSentence } from "@core/units/written";
import { type ReactNode, useId, useState } from "react";
import { usePrefs } from "../lib/prefs";
import { Said } from "./said";

interface Frame {
	label: string;
	error?: string | undefined;
	hint?: string;
	/** The label is read aloud only: what stands beside it says it. */
	quiet?: boolean | undefined;
	children: (ids: { id: string; describedBy: string | undefined }) => ReactNode;
}

/** A label, its field, and the one sentence that says what is wrong with it. */
export function Field({ label, error, hint, quiet, children }: Frame) {
	const id = useId();
	const note = error ?? hint;
	return (
		<div className="flex min-w-0 flex-col gap-1">
			<label htmlFor={id} className={quiet ? "sr-only" : "font-semibold"}>
				{label}
			</label>
			{children({ id, describedBy: note ? `${id}-note` : undefined })}
			{note && (
				<p id={`${id}-note`} className={error ? "font-semibold text-error" : "text-soft"}>
					{error ? <Said words={error} /> : hint}
				</p>
			)}
		</div>
	);
}

interface FigureField {
	label: string;
	value: number | null;
	onChange(value: number | null): void;
	error?: string | undefined;
	hint?: string;
	/** The unit shown when nothing is typed; the value is always kept in mm, °C, g, g/cm² or as a plain number. */
	kind: "length" | "temperature" | "step" | "mass" | "strewn" | "count" | "degrees" | "hours" | "minutes" | "percent";
	autoFocus?: boolean;
	compact?: boolean;
	quiet?: boolean;
}

/**
 * A number with its unit. Accepts any way of writing it ("2 1/2 in", "6.4cm", "1480F") whatever the screen shows; what
 * cannot be read stays as typed, with a sentence.
 */
export function NumberField({ label, value, onChange, error, hint, kind, autoFocus, compact, quiet }: FigureField) {
	const { units } = usePrefs();
	const [typed, setTyped] = useState<string | null>(null);
	const [misread, setMisread] = useState<string | undefined>();
	const strewn = units.length === "in" ? CM2_PER_IN2 : 1;
	const unit = {
		length: units.length,
		temperature: `°${units.temperature}`,
		step: `°${units.temperature}`,
		mass: "g",
		strewn: units.length === "in" ? "g/in²" : "g/cm²",
		count: "",
		degrees: "°",
		hours: "h",
		minutes: "min",
		percent: "%",
	}[kind];
	const shown = (): string => {
		if (value === null || Number.isNaN(value)) return "";
		if (kind === "length") return lengthFigure(value, units.length);
		if (kind === "temperature") return String(Math.round(units.temperature === "F" ? fahrenheit(value) : value));
		if (kind === "step") return String(Number((units.temperature === "F" ? fahrenheitStep(value) : value).toFixed(1)));
		if (kind === "strewn") return String(Number((value * strewn).toPrecision(4)));
		return String(value);
	};
	const read = (text: string) => {
		setTyped(text);
		if (text.trim() === "") {
			setMisread(undefined);
			onChange(null);
			return;
		}
		const parsed =
			kind === "length"
				? parseLengthMm(text, units.length)
				: kind === "temperature"
					? parseTemperatureC(text, units.temperature)
					: kind === "step"
						? parseStepK(text, units.temperature)
						: plainNumber(text, kind === "strewn" ? strewn : 1);
		if (parsed.ok) {
			setMisread(undefined);
			onChange(parsed.value);
		} else {
			setMisread(firstSentence(parsed.problems));
			onChange(Number.NaN);
		}
	};
	return (
		<Field label={label} error={misread ?? error} hint={hint} quiet={quiet}>
			{({ id, describedBy }) => (
				<span
					className={`input figure flex w-full items-center gap-1 ${compact ? "input-sm h-9" : "h-11"} ${(misread ?? error) ? "border-error" : ""}`}
				>
					<input
						id={id}
						className="w-full min-w-0 grow"
						inputMode="decimal"
						autoComplete="off"
						value={typed ?? shown()}
						aria-invalid={Boolean(misread ?? error)}
						aria-describedby={describedBy}
						// biome-ignore lint/a11y/noAutofocus: the first field of a form that was just opened by the person
						autoFocus={autoFocus}
						onChange={(event) => read(event.target.value)}
						onBlur={() => !misread && setTyped(null)}
					/>
					<span className="text-soft">{unit}</span>
				</span>
			)}
		</Field>
	);
}

/** @param of what one of the value is so many */
function plainNumber(text: string, of: number) {
	const value = Number(text.trim().replace(",", ".")) / of;
	return Number.isFinite(value)
		? { ok: true as const, value }
		: { ok: false as const, problems: [at([], `“${text.trim()}” is not a number.`)] };
}

export function TextField(props: {
	label: string;
	value: string;
	onChange(value: string): void;
	error?: string | undefined;
	hint?: string;
	multiline?: boolean;
	autoComplete?: string;
	inputMode?: "numeric";
	type?: string;
	compact?: boolean;
	quiet?: boolean;
	placeholder?: string;
}) {
	const { label, value, onChange, error, hint, multiline, type = "text", autoComplete = "off", compact } = props;
	const common = { value, onChange: (event: { target: { value: string } }) => onChange(event.target.value) };
	return (
		<Field label={label} error={error} hint={hint} quiet={props.quiet}>
			{({ id, describedBy }) =>
				multiline ? (
					<textarea
						id={id}
						className={`textarea w-full ${error ? "border-error" : ""}`}
						rows={2}
						aria-describedby={describedBy}
						aria-invalid={Boolean(error)}
						{...common}
					/>
				) : (
					<input
						id={id}
						type={type}
						className={`input w-full ${compact ? "input-sm h-9" : "h-11"} ${error ? "border-error" : ""}`}
						aria-describedby={describedBy}
						aria-invalid={Boolean(error)}
						autoComplete={autoComplete}
						inputMode={props.inputMode}
						placeholder={props.placeholder}
						{...common}
					/>
				)
			}
		</Field>
	);
}

export function ChoiceField<T extends string>(props: {
	label: string;
	value: T;
	options: readonly { value: T; label: string }[];
	onChange(value: T): void;
	error?: string | undefined;
	hint?: string;
	compact?: boolean;
}) {
	return (
		<Field label={props.label} error={props.error} hint={props.hint}>
			{({ id, describedBy }) => (
				<select
					id={id}
					className={`select w-full ${props.compact ? "select-sm h-9" : "h-11"}`}
					value={props.value}
					aria-describedby={describedBy}
					onChange={(event) => props.onChange(event.target.value as T)}
				>
					{props.options.map(({ value, label }) => (
						<option key={value} value={value}>
							{label}
						</option>
					))}
				</select>
			)}
		</Field>
	);
}
