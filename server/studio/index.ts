import { find } from "./find";
import { frame } from "./frame";
import { saveSettings } from "./save-settings";
import { settings } from "./settings";

export const useCases = { saveSettings };

export const views = { frame, find, settings };
