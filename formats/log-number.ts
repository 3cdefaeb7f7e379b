import type { DecimalSign } from "@core/kiln/log";

const SUFFIX = /\s*(°\s*[CF]|deg\.?\s*[CF]|%|kWh|C|F)$/i;
const FORMS: Record<DecimalSign, RegExp> = {
	".": /^[+-]?(\d+|\d{1,3}(,\d{3})+(?=\.))?(\.\d+)?(e[+-]?\d+)?$/i,
	",": /^[+-]?(\d+|\d{1,3}(\.\d{3})+(?=,))?(,\d+)?(e[+-]?\d+)?$/i,
};
/** Three digits after one sign: a thousand and some, or one and some thousandths. */
const AMBIGUOUS = /^[+-]?[1-9]\d?[.,]\d{3}$/;

/**
 * A cell's number, read with the decimal sign that was agreed; a unit behind it is put off. Thousands are only put apart where the
 * number has a decimal sign too, for "1,204" says nothing by itself. NaN where it is no number in this form.
 */
export function logNumber(cell: string | undefined, decimal: DecimalSign): number {
	const text = (cell ?? "").trim().replace(SUFFIX, "");
	if (!/\d/.test(text) || !FORMS[decimal].test(text)) return Number.NaN;
	const group = decimal === "." ? /,/g : /\./g;
	return Number(text.replace(group, "").replace(",", "."));
}

/** Whether a temperature could mean two things a thousandfold apart: "1,003" and "1.003" are no readings, whatever sign was agreed. */
export const isAmbiguous = (cell: string | undefined): boolean =>
	AMBIGUOUS.test((cell ?? "").trim().replace(SUFFIX, ""));

/** The unit a temperature's own cell or its column's name states; undefined where it states none, or both. */
export function statedUnit(text: string | undefined): "C" | "F" | undefined {
	const said = (text ?? "").trim();
	const c =
		/°\s*C\b|℃|(?<![a-z])deg(rees)?[\s_.]*C\b|celsius|centigrade|[\d\s([_/,]C\s*[\])]?$/i.test(said) || said === "C";
	const f = /°\s*F\b|℉|(?<![a-z])deg(rees)?[\s_.]*F\b|fahrenheit|[\d\s([_/,]F\s*[\])]?$/i.test(said) || said === "F";
	if (c === f) return undefined;
	return c ? "C" : "F";
}

const PROOF: Record<DecimalSign, RegExp> = {
	".": /^[+-]?(\d*\.\d{1,2}|\d{3,}\.\d{3}|\d*\.\d{4,}|[\d,]+\.\d+)$/,
	",": /^[+-]?(\d*,\d{1,2}|\d{3,},\d{3}|\d*,\d{4,}|[\d.]+,\d+)$/,
};

/** The decimal sign that numbers are written with, by those that leave no doubt; a point where none tells. */
export function decimalSignOf(cells: readonly (string | undefined)[]): DecimalSign {
	const said = cells.map((cell) => (cell ?? "").trim().replace(SUFFIX, ""));
	const times = (sign: DecimalSign) => said.filter((text) => PROOF[sign].test(text) && !AMBIGUOUS.test(text)).length;
	return times(",") > times(".") ? "," : ".";
}
