import { planCut } from "./plan-cut";
import { tickCut } from "./tick-cut";
import { cut } from "./views";

export const useCases = { planCut, tickCut };

export const views = { cut };
