import { clearSheet } from "./clear-sheet";
import { countStock } from "./count-stock";
import { dropCutPlan } from "./drop-cut-plan";
import { moveStock } from "./move-stock";
import { planCut, renewCut } from "./plan-cut";
import { returnGlass } from "./return-glass";
import { saveCutPlan } from "./save-cut-plan";
import { saveStock } from "./save-stock";
import { tickCut } from "./tick-cut";
import { cut, stock } from "./views";

export const useCases = {
	clearSheet,
	countStock,
	dropCutPlan,
	moveStock,
	planCut,
	renewCut,
	returnGlass,
	saveCutPlan,
	saveStock,
	tickCut,
};

export const views = { cut, stock };
