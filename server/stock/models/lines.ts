import { cutListOf } from "@core/cutting/count";
import { lineKeyOf } from "@core/cutting/glass-lists";
import { blanksOf, type CutBy } from "@core/cutting/plan/blanks";
import type { Blank } from "@core/cutting/plan/types";
import { wantedFor } from "@core/cutting/wanted";
import type { CutShape } from "@core/geometry/shape";
import type { cutRunsOf } from "@db/queries/stock";
import type { Studio } from "@db/queries/studio";

type Row = Awaited<ReturnType<typeof cutRunsOf>>[number];

/** A cut's list with how much of it is done and broke. */
export const linesOf = ({ run, kit, glasses, ticks }: Row, { customs }: Studio) =>
	cutListOf(wantedFor(kit.document, run.kits, glasses, run.fromDrawer), customs.spares).map((line) => {
		const { done = 0, broken = 0 } = ticks.get(line.key) ?? {};
		return { ...line, spares: run.spares[line.key] ?? line.spares, done, broken };
	});

/** Rectangles that cuts want of a glass, those that broke with them; their keys name cut and line. */
export const wantedOf = (
	rows: readonly Row[],
	glass: { id: string; directed: boolean },
	studio: Studio,
	by?: CutBy,
): Blank[] =>
	rows.flatMap((row) =>
		blanksOf(
			linesOf(row, studio).filter(({ glassId }) => glassId === glass.id),
			glass.directed,
			({ key }) => lineKeyOf(row.run.id, key),
			by,
		),
	);

/** Parts cut of each blank so far, those that broke with them, by its key. */
export function usedIn(rows: readonly Row[]): (key: string) => number {
	const used = new Map<string, number>(
		rows.flatMap(({ run, ticks }) =>
			[...ticks.values()].map(({ lineKey, done, broken }) => [`${run.id} ${lineKey}`, done + broken] as const),
		),
	);
	return (key) => used.get(key) ?? 0;
}

/** Shapes of what cuts list, by the keys of their blanks. */
export function shapesOf(rows: readonly Row[], studio: Studio): (key: string) => CutShape | undefined {
	const shapes = new Map(
		rows.flatMap((row) =>
			linesOf(row, studio).flatMap(({ key, shape }) => (shape ? [[lineKeyOf(row.run.id, key), shape] as const] : [])),
		),
	);
	return (key) => shapes.get(key);
}
