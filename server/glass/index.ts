import { addSamplePicture } from "./add-sample-picture";
import { saveFamily } from "./save-family";
import { saveGlass } from "./save-glass";
import { saveMould } from "./save-mould";
import { saveSample } from "./save-sample";
import { takeGlass, takeMoulds } from "./take";
import { books } from "./views";

export const useCases = { addSamplePicture, saveGlass, saveFamily, saveMould, saveSample, takeGlass, takeMoulds };

export const views = { books };
