import { formatMinutes } from "./duration";
import { formatArea, formatLength, type LengthUnit } from "./length";
import { formatRate, formatStep, formatTemperature, type TemperatureUnit } from "./temperature";

/** Units a person reads in. */
export interface Units {
	length: LengthUnit;
	temperature: TemperatureUnit;
}

export const METRIC: Units = { length: "mm", temperature: "C" };

/** A figure that is written in the reader's units when it is shown. */
export type Figure =
	| { mm: number }
	| { mm2: number }
	| { c: number }
	| { cPerH: number }
	/** A difference of temperature; `signedC` says which way. */
	| { stepC: number }
	| { signedC: number }
	| { min: number }
	| { g: number }
	/** Of what is strewn, kept as g/cm². */
	| { gPerCm2: number }
	| { deg: number }
	| { n: number };

/** A sentence of words and figures, kept apart so that units can change after it was made. */
export type Phrase = readonly (string | Figure)[];

/** Tagged template for a {@link Phrase}: say`draws in ${{ mm: 1.9 }} a side`. */
export function say(words: TemplateStringsArray, ...figures: (Figure | string)[]): Phrase {
	return words.flatMap((text, i) => {
		const figure = figures[i];
		return figure === undefined ? [text] : [text, figure];
	});
}

export function formatFigure(figure: Figure, units: Units): string {
	if ("mm" in figure) return formatLength(figure.mm, units.length);
	if ("mm2" in figure) return formatArea(figure.mm2, units.length);
	if ("c" in figure) return formatTemperature(figure.c, units.temperature);
	if ("cPerH" in figure) return formatRate(figure.cPerH, units.temperature);
	if ("stepC" in figure) return formatStep(figure.stepC, units.temperature);
	if ("signedC" in figure) return formatStep(figure.signedC, units.temperature, true);
	if ("min" in figure) return formatMinutes(figure.min);
	if ("g" in figure) return formatMass(figure.g);
	if ("gPerCm2" in figure) return formatStrewn(figure.gPerCm2, units.length);
	if ("deg" in figure) return `${Number(figure.deg.toFixed(1))}°`;
	return String(Number(figure.n.toFixed(2)));
}

export const phraseText = (phrase: Phrase, units: Units): string =>
	phrase.map((part) => (typeof part === "string" ? part : formatFigure(part, units))).join("");

/** Square centimetres of a square inch. */
export const CM2_PER_IN2 = 6.4516; // exact: 2.54²

/** What is strewn, in grams an area: to three figures. */
const formatStrewn = (gPerCm2: number, unit: LengthUnit): string =>
	unit === "in" ? `${Number((gPerCm2 * CM2_PER_IN2).toPrecision(3))} g/in²` : `${Number(gPerCm2.toPrecision(3))} g/cm²`;

/** Grams: to 0.1 below 10, whole up to a kilogram, then kg to 0.01. */
export function formatMass(g: number): string {
	if (g >= 1000) return `${(g / 1000).toFixed(2)} kg`;
	return g < 10 ? `${Number(g.toFixed(1))} g` : `${Math.round(g)} g`;
}
