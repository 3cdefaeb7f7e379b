import { countStock } from "./count-stock";
import { moveStock } from "./move-stock";
import { planCut } from "./plan-cut";
import { returnGlass } from "./return-glass";
import { saveStock } from "./save-stock";
import { tickCut } from "./tick-cut";
import { cut, stock } from "./views";

export const useCases = { countStock, moveStock, planCut, returnGlass, saveStock, tickCut };

export const views = { cut, stock };
