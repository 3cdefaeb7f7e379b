import { find } from "./find";
import { frame } from "./frame";
import { saveSettings } from "./save-settings";
import { settings } from "./settings";
import { today } from "./today";

export const useCases = { saveSettings };

export const views = { frame, today, find, settings };
