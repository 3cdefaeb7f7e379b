import type { Glass } from "../glass/glass";
import { groupBy } from "../group-by";
import { type CutLine, isScored } from "./count";
import { blanksOf } from "./plan/blanks";
import { notYetCut } from "./plan/cut-so-far";
import type { SheetStock } from "./plan/keep-plan";
import type { KeptPlan } from "./plan/kept";
import type { CutTask } from "./plan/search";
import { type Blank, type CutRules, USUAL_CUT_RULES } from "./plan/types";

/** A list that is cut, with how much of each line is done and broke. */
export interface ListedRun<L extends CountedLine = CountedLine> {
	id: string;
	lines: readonly L[];
}
export type CountedLine = CutLine & { done: number; broken: number };

/** Sheets and offcuts on the rack. */
export interface RackItem {
	id: string;
	kind: "sheet" | "offcut";
	glassId: string;
	widthMm: number;
	heightMm: number;
	amount: number;
}

/** A plan that is kept, by what it is for. */
export interface ForRuns {
	glassId: string;
	runIds: readonly string[];
	plan: Pick<KeptPlan, "blanks" | "rules">;
}

/** One glass of the lists: what is wanted of it, what there is to cut it from, the plan somebody cuts by. */
export interface GlassList<L extends CountedLine, S extends RackItem, P extends ForRuns> {
	glass: Glass;
	lines: (L & { runId: string })[];
	runIds: string[];
	wanted: Blank[];
	/** The size of whole sheets to plan with. */
	sheet: CutTask["sheet"];
	stock: SheetStock | undefined;
	/** Other sizes of its sheets in the racks. */
	otherSheets: CutTask["sheet"][];
	offcuts: S[];
	kept: P | undefined;
}

export const lineKeyOf = (runId: string, lineKey: string): string => `${runId} ${lineKey}`;

/** The glasses of some lists with their stock; the size of sheet is that of the largest one there is, else the studio's usual. */
export function glassLists<L extends CountedLine, S extends RackItem, P extends ForRuns>(
	book: { runs: readonly ListedRun<L>[]; glasses: readonly Glass[]; stock: readonly S[]; plans: readonly P[] },
	usual: CutTask["sheet"],
	rules: CutRules = USUAL_CUT_RULES,
): GlassList<L, S, P>[] {
	const lines = book.runs.flatMap(({ id, lines: its }) => its.map((line) => ({ ...line, runId: id })));
	const sheets = lines.filter((line) => isScored(line) && line.shape);
	return [...groupBy(sheets, ({ glassId }) => glassId).entries()].flatMap(([glassId, its]) => {
		const glass = book.glasses.find(({ id }) => id === glassId);
		if (!glass) return [];
		const stock = book.stock.filter((one) => one.glassId === glassId && one.amount > 0);
		const whole = stock
			.filter(({ kind }) => kind === "sheet")
			.sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm)[0];
		const runIds = [...new Set(its.map(({ runId }) => runId))];
		const kept = book.plans.find((one) => one.glassId === glassId && one.runIds.some((id) => runIds.includes(id)));
		const sheet = whole ? { widthMm: whole.widthMm, heightMm: whole.heightMm } : usual;
		return [
			{
				glass,
				lines: its,
				runIds,
				wanted: blanksOf(its, glass.directed, (line) => lineKeyOf(line.runId, line.key), {
					rules: kept?.plan.rules ?? rules,
					sheet,
					known: kept?.plan.blanks,
				}),
				sheet,
				stock: whole && { itemId: whole.id, amount: whole.amount },
				otherSheets: stock
					.filter((one) => one.kind === "sheet" && one !== whole)
					.map(({ widthMm, heightMm }) => ({ widthMm, heightMm })),
				offcuts: stock.filter(({ kind }) => kind === "offcut"),
				kept,
			},
		];
	});
}

type AnyList = GlassList<CountedLine, RackItem, ForRuns>;

/** Parts that were cut without a plan, by their keys. */
export const cutBefore = ({ lines }: Pick<AnyList, "lines">): Record<string, number> =>
	Object.fromEntries(
		lines.flatMap(({ runId, key, done, broken }) =>
			done + broken > 0 ? [[lineKeyOf(runId, key), done + broken] as const] : [],
		),
	);

/** What a plan for a glass nobody cuts yet is searched for with: the same on every tablet and on the server. */
export const taskOf = (list: AnyList, rules: CutRules = USUAL_CUT_RULES): CutTask => ({
	blanks: notYetCut(list.wanted, cutBefore(list)),
	offcuts: list.offcuts.map(({ id, widthMm, heightMm }) => ({ id, widthMm, heightMm })),
	sheet: list.sheet,
	otherSheets: list.otherSheets,
	rules,
});
