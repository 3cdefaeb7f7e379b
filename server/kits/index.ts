import { importKit } from "./import-kit";
import { saveKit } from "./save-kit";
import { frozenKit, kit, kits } from "./views";

export const useCases = { saveKit, importKit };

export const views = { kits, kit, kitVersion: frozenKit };
