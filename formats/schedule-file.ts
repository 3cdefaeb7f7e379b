import { nameSegments } from "@core/firing/name-segments";
import type { Segment } from "@core/firing/schedule";
import { ok, problem, type Result } from "@core/result";
import { parseMinutes } from "@core/units/duration";
import { parseRateCPerH, parseTemperatureC } from "@core/units/temperature";
import Papa from "papaparse";

/** Segments as a table: rate °C/h or "full", target °C, hold min. One line each, names of the columns above. */
export const scheduleCsv = (segments: readonly Segment[]): string =>
	Papa.unparse(
		{
			fields: ["rate °C/h", "target °C", "hold min"],
			data: segments.map(({ rateCPerH, targetC, holdMin }) => [rateCPerH, targetC, holdMin]),
		},
		{ newline: "\n" },
	);

/**
 * Reads segments from a table of three columns: rate, target, hold, in this order or under such names. A unit in a column's
 * name (°F) or beside a figure counts. Every line that cannot be read is named.
 */
export function readScheduleCsv(text: string): Result<Segment[]> {
	const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" }).data;
	const first = table[0] ?? [];
	const named = first.some((cell) => /rate|ramp|target|hold|soak/i.test(cell));
	const column = (pattern: RegExp, other: number) => {
		const found = named ? first.findIndex((cell) => pattern.test(cell)) : other;
		return found < 0 ? other : found;
	};
	const [rateAt, targetAt, holdAt] = [column(/rate|ramp/i, 0), column(/target|temp/i, 1), column(/hold|soak|min/i, 2)];
	const unitIn = (at: number) => (named && /°?\s*F\b/.test(first[at] ?? "") ? "F" : "C");
	const bare: Omit<Segment, "name">[] = [];
	for (const [i, row] of table.slice(named ? 1 : 0).entries()) {
		const rate = parseRateCPerH(row[rateAt] ?? "", unitIn(rateAt));
		const target = parseTemperatureC(row[targetAt] ?? "", unitIn(targetAt));
		const hold = parseMinutes(row[holdAt]?.trim() || "0");
		for (const one of [rate, target, hold])
			if (!one.ok) return problem([i], `Line ${i + 1}: ${one.problems[0]?.sentence ?? ""}`);
		if (rate.ok && target.ok && hold.ok)
			bare.push({ rateCPerH: rate.value, targetC: Number(target.value.toFixed(1)), holdMin: hold.value });
	}
	return bare.length === 0 ? problem([], "There is no segment in this file.") : ok(nameSegments(bare));
}
