import { type CutTask, searchPlans } from "./search";
import type { PlanFigures } from "./types";

/** What sheets of another size would save of the glass that is used up, rests that are kept left out. */
export interface SheetSaving {
	widthMm: number;
	heightMm: number;
	/** So many of them. */
	sheets: number;
	savedMm2: number;
	/** Of what is used up now, 0 to 1. */
	share: number;
}

const PASSES = 16;
/** Less than this share of the glass is nobody's while. Common practice, no source. */
const LEAST_SHARE = 0.04;

/** The size of sheet that saves most: of those that stand in the racks, or halves and quarters as glass is sold; undefined where none does. */
export function sheetSavingOf(task: CutTask, now: PlanFigures): SheetSaving | undefined {
	const used = now.takenMm2 - now.keptMm2;
	if (now.sheets === 0) return undefined;
	let best: SheetSaving | undefined;
	for (const sheet of sizesFor(task)) {
		const found = [...searchPlans({ ...task, sheet }, PASSES)].at(-1)?.best.fewestSheets;
		if (!found || found.plan.short.some((n) => n > 0)) continue;
		const { takenMm2, keptMm2, sheets } = found.figures;
		const savedMm2 = used - (takenMm2 - keptMm2);
		const share = savedMm2 / used;
		if (share >= LEAST_SHARE && savedMm2 > (best?.savedMm2 ?? 0)) best = { ...sheet, sheets, savedMm2, share };
	}
	return best;
}

function sizesFor({ sheet, otherSheets = [] }: CutTask): { widthMm: number; heightMm: number }[] {
	const { widthMm: w, heightMm: h } = sheet;
	const sold = [
		{ widthMm: w, heightMm: h / 2 },
		{ widthMm: w / 2, heightMm: h },
		{ widthMm: w / 2, heightMm: h / 2 },
		{ widthMm: w, heightMm: h * 2 },
		{ widthMm: w * 2, heightMm: h },
	];
	const all = otherSheets.length > 0 ? otherSheets : sold;
	return all.filter((one) => one.widthMm !== w || one.heightMm !== h);
}
