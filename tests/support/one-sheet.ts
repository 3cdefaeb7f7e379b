import type { Blank } from "@core/cutting/plan/types";
import loadSolver from "highs";

type Sides = { widthMm: number; heightMm: number };
/** A strip that cannot hold more: its height and so many of each blank, never more than are asked for. */
interface Strip {
	height: number;
	holds: number[];
}

/**
 * Whether it is proved that one sheet cannot hold a list in strips, columns and stacks: every strip written down, the least height of strips
 * that hold all by a mixed-integer program (HiGHS) is more than the sheet's. Knows nothing of how the product cuts. Whole millimetres,
 * no saw.
 */
export async function needsMoreThanOne(blanks: readonly Blank[], sheet: Sides, trimMm: number): Promise<boolean> {
	const solver = await loadSolver();
	for (const turned of [false, true]) {
		const [length, most] = turned ? [sheet.heightMm, sheet.widthMm] : [sheet.widthMm, sheet.heightMm];
		const strips = unbeaten(stripsOf(blanks, turned, length, most, trimMm));
		const sum = (of: (strip: Strip) => number) => strips.map((one, i) => `${of(one)} x${i}`).join(" + ");
		const model = [
			"Minimize",
			` obj: ${sum((one) => one.height)}`,
			"Subject To",
			...blanks.map((one, b) => ` c${b}: ${sum((strip) => strip.holds[b] ?? 0)} >= ${one.count}`),
			"General",
			` ${strips.map((_, i) => `x${i}`).join(" ")}`,
			"End",
		].join("\n");
		const found = solver.solve(model);
		if (found.Status !== "Infeasible" && !(found.Status === "Optimal" && found.ObjectiveValue > most + 1e-6))
			return false;
	}
	return true;
}

function stripsOf(blanks: readonly Blank[], turned: boolean, length: number, most: number, trimMm: number): Strip[] {
	const breaks = (left: number) => left === 0 || left >= trimMm;
	const ways = blanks.flatMap(({ widthMm, heightMm, mayTurn }, blank) => {
		const [w, h] = turned ? [heightMm, widthMm] : [widthMm, heightMm];
		return mayTurn && w !== h
			? [
					{ blank, w, h },
					{ blank, w: h, h: w },
				]
			: [{ blank, w, h }];
	});
	const countOf = (blank: number) => blanks[blank]?.count ?? 0;
	// Some column fills a strip, or leaves no more than can just be broken off: any other strip could be lower.
	const heights = new Set<number>();
	for (const { blank, h } of ways)
		for (let n = 1; n <= countOf(blank) && n * h <= most; n++)
			for (const height of [n * h, n * h + trimMm]) if (height <= most) heights.add(height);
	return [...heights].flatMap((height) => {
		const columns = ways.flatMap(({ blank, w, h }) => {
			let stack = Math.min(countOf(blank), Math.floor(height / h));
			while (stack > 0 && !breaks(height - stack * h)) stack--;
			return stack > 0 ? [{ blank, w, stack }] : [];
		});
		const found: Strip[] = [];
		const held = blanks.map(() => 0);
		const fill = (from: number, room: number): void => {
			const column = columns[from];
			if (!column) {
				if (breaks(room)) found.push({ height, holds: held.map((n, b) => Math.min(n, countOf(b))) });
				return;
			}
			const before = held[column.blank] ?? 0;
			for (
				let n = 0;
				n * column.w <= room && (n === 0 || before + (n - 1) * column.stack < countOf(column.blank));
				n++
			) {
				held[column.blank] = before + n * column.stack;
				fill(from + 1, room - n * column.w);
			}
			held[column.blank] = before;
		};
		fill(0, length);
		return unbeaten(found);
	});
}

/** Without those of which another one, no higher, holds all. */
function unbeaten(strips: readonly Strip[]): Strip[] {
	const kept: Strip[] = [];
	const total = ({ holds }: Strip) => holds.reduce((sum, n) => sum + n, 0);
	for (const one of [...strips].sort((a, b) => a.height - b.height || total(b) - total(a)))
		if (!kept.some(({ holds }) => holds.every((n, b) => n >= (one.holds[b] ?? 0)))) kept.push(one);
	return kept;
}
