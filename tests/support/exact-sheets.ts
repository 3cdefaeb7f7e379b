import type { Blank } from "@core/cutting/plan/types";
import loadSolver from "highs";

type Sides = { widthMm: number; heightMm: number };
type Count = number[];

/**
 * The fewest sheets that strips, columns and stacks can do, by a mixed-integer program over every way to fill a sheet (HiGHS, its own
 * solver); and what its relaxation says: the bound of Gilmore and Gomory (1965). For small cases only: all ways are written down.
 */
export async function exactSheets(blanks: readonly Blank[], sheet: Sides): Promise<{ exact: number; relaxed: number }> {
	const ways = unbeaten([
		...sheetsOf(blanks, sheet.widthMm, sheet.heightMm, false),
		...sheetsOf(blanks, sheet.heightMm, sheet.widthMm, true),
	]);
	const name = (i: number) => `x${i}`;
	const model = (integer: boolean) =>
		[
			"Minimize",
			` obj: ${ways.map((_, i) => name(i)).join(" + ")}`,
			"Subject To",
			...blanks.map(
				(one, b) => ` c${b}: ${ways.map((way, i) => `${way[b] ?? 0} ${name(i)}`).join(" + ")} >= ${one.count}`,
			),
			...(integer ? ["General", ` ${ways.map((_, i) => name(i)).join(" ")}`] : []),
			"End",
		].join("\n");
	const solver = await loadSolver();
	const value = (integer: boolean) => solver.solve(model(integer)).ObjectiveValue;
	return { exact: Math.round(value(true)), relaxed: value(false) };
}

/** What one sheet can hold, each kind's number: every set of strips of every height. */
function sheetsOf(blanks: readonly Blank[], length: number, height: number, turned: boolean): Count[] {
	const ways = blanks.flatMap(({ widthMm, heightMm, mayTurn }, blank) => {
		const [w, h] = turned ? [heightMm, widthMm] : [widthMm, heightMm];
		return mayTurn
			? [
					{ blank, w, h },
					{ blank, w: h, h: w },
				]
			: [{ blank, w, h }];
	});
	const heights = [...new Set(ways.flatMap(({ h }) => multiples(h, height)))].sort((a, b) => b - a);
	const strips = heights.map((strip) => {
		const columns = ways.flatMap(({ blank, w, h }) => (h <= strip ? [{ blank, w, stack: Math.floor(strip / h) }] : []));
		const found: Count[] = [];
		fill(
			columns,
			0,
			length,
			blanks.map(() => 0),
			found,
		);
		return { strip, counts: unbeaten(found) };
	});
	const found: Count[] = [];
	const stack = (from: number, room: number, held: Count): void => {
		let fits = false;
		for (let i = from; i < strips.length; i++) {
			const { strip, counts } = strips[i] as (typeof strips)[number];
			if (strip > room) continue;
			fits = true;
			for (const one of counts)
				stack(
					i,
					room - strip,
					held.map((n, b) => n + (one[b] ?? 0)),
				);
		}
		if (!fits) found.push(held);
	};
	stack(
		0,
		height,
		blanks.map(() => 0),
	);
	return unbeaten(found);
}

const multiples = (h: number, most: number): number[] =>
	Array.from({ length: Math.floor(most / h) }, (_, i) => (i + 1) * h);

function fill(
	columns: readonly { blank: number; w: number; stack: number }[],
	from: number,
	room: number,
	held: Count,
	found: Count[],
): void {
	let fits = false;
	for (let i = from; i < columns.length; i++) {
		const { blank, w, stack } = columns[i] as (typeof columns)[number];
		if (w > room) continue;
		fits = true;
		fill(
			columns,
			i,
			room - w,
			held.map((n, b) => (b === blank ? n + stack : n)),
			found,
		);
	}
	if (!fits) found.push(held);
}

/** Without those that another one holds all of. */
function unbeaten(counts: readonly Count[]): Count[] {
	const distinct = [...new Map(counts.map((one) => [one.join(), one])).values()];
	return distinct.filter(
		(one, i) => !distinct.some((other, j) => i !== j && other.every((n, b) => n >= (one[b] ?? 0))),
	);
}
