import { endMicrowave } from "./end-microwave";
import { lookMicrowave } from "./look-microwave";
import { openMicrowave } from "./open-microwave";
import { saveOven } from "./save-oven";
import { startMicrowave } from "./start-microwave";
import { microwave } from "./views";

export const useCases = { saveOven, startMicrowave, lookMicrowave, endMicrowave, openMicrowave };

export const views = { microwave };
