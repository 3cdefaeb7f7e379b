import { clearSheet } from "./clear-sheet";
import { countStock } from "./count-stock";
import { dropCutPlan } from "./drop-cut-plan";
import { fillWithLot, fireLots } from "./fire-lots";
import { endLot, orderLot } from "./lots";
import { moveStock } from "./move-stock";
import { packBag, packLine } from "./pack";
import { planCut, renewCut } from "./plan-cut";
import { returnGlass } from "./return-glass";
import { saveCutPlan } from "./save-cut-plan";
import { saveStock } from "./save-stock";
import { setSpares } from "./set-spares";
import { tickCut } from "./tick-cut";
import { bagLabels, bags, cut, shopping, stock } from "./views";

export const useCases = {
	clearSheet,
	countStock,
	dropCutPlan,
	endLot,
	moveStock,
	orderLot,
	fireLots,
	fillWithLot,
	packBag,
	packLine,
	planCut,
	renewCut,
	returnGlass,
	saveCutPlan,
	saveStock,
	setSpares,
	tickCut,
};

export const views = { bagLabels, bags, cut, shopping, stock };
