import { addSamplePicture } from "./add-sample-picture";
import { saveFamily } from "./save-family";
import { saveGlass } from "./save-glass";
import { saveMould } from "./save-mould";
import { saveSample } from "./save-sample";
import { books } from "./views";

export const useCases = { addSamplePicture, saveGlass, saveFamily, saveMould, saveSample };

export const views = { books };
