import { ok, problem, type Result } from "../result";

export type TemperatureUnit = "C" | "F";

export const KELVIN_AT_0C = 273.15;

export const fahrenheit = (celsius: number): number => celsius * 1.8 + 32;
export const celsius = (degreesF: number): number => (degreesF - 32) / 1.8;

/** A difference or a rate carries no offset: 100 °C/h is 180 °F/h. */
export const fahrenheitStep = (celsiusStep: number): number => celsiusStep * 1.8;
export const celsiusStep = (fStep: number): number => fStep / 1.8;

/** Reads "804", "804 C", "1480F", "1480 °F"; a bare number is taken in `assumed`. Returns °C. */
export function parseTemperatureC(text: string, assumed: TemperatureUnit = "C"): Result<number> {
	const match = /^(-?\d+(?:[.,]\d+)?)\s*°?\s*([cf]?)$/i.exec(text.trim());
	if (!match?.[1]) return problem([], `“${text.trim()}” is not a temperature. Write it like 804, 804 C or 1480 F.`);
	const figure = Number(match[1].replace(",", "."));
	const unit = match[2] ? match[2].toUpperCase() : assumed;
	return ok(unit === "F" ? celsius(figure) : figure);
}

export function formatTemperature(c: number, unit: TemperatureUnit): string {
	return `${Math.round(unit === "F" ? fahrenheit(c) : c)} °${unit}`;
}

export function formatRate(cPerH: number, unit: TemperatureUnit): string {
	return `${Math.round(unit === "F" ? fahrenheitStep(cPerH) : cPerH)} °${unit}/h`;
}

/** A difference of temperature (K): "9 °C", "16 °F"; with its sign where it says which way, "−5 °C". */
export function formatStep(k: number, unit: TemperatureUnit, signed = false): string {
	const figure = Number((unit === "F" ? fahrenheitStep(k) : k).toFixed(Math.abs(k) < 10 ? 1 : 0));
	return `${figure < 0 ? "−" : signed && figure > 0 ? "+" : ""}${Math.abs(figure)} °${unit}`;
}

/** Reads a difference: "5", "-9 F", "−5 °C"; a bare number is taken in `assumed`. Returns K. */
export function parseStepK(text: string, assumed: TemperatureUnit = "C"): Result<number> {
	const read = parseTemperatureC(text.replace("−", "-").replace(/^\s*\+/, ""), assumed);
	if (!read.ok) return problem([], `“${text.trim()}” is not a difference. Write it like -5, 5 C or 9 F.`);
	return ok(
		/f\s*$/i.test(text) || (assumed === "F" && !/c\s*$/i.test(text)) ? celsiusStep(fahrenheit(read.value)) : read.value,
	);
}

/** Reads "150", "150 C/h", "270F", "full" (full power up, off down); a bare number is taken in `assumed`. Returns °C/h. */
export function parseRateCPerH(text: string, assumed: TemperatureUnit = "C"): Result<number | "full"> {
	const plain = text.trim();
	if (/^(full|off)$/i.test(plain)) return ok("full");
	const match = /^(\d+(?:[.,]\d+)?)\s*°?\s*([cf]?)\s*(?:\/\s*h)?$/i.exec(plain);
	const figure = Number(match?.[1]?.replace(",", "."));
	if (!match?.[1] || figure <= 0) return problem([], `“${plain}” is not a rate. Write it like 150, 270 F/h or full.`);
	const unit = match[2] ? match[2].toUpperCase() : assumed;
	return ok(unit === "F" ? celsiusStep(figure) : figure);
}
