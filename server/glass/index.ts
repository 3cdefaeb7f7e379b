import { addSamplePicture } from "./add-sample-picture";
import { saveFamily } from "./save-family";
import { saveGlass } from "./save-glass";
import { saveMould } from "./save-mould";
import { saveSample } from "./save-sample";
import { layStrainTest, readStrainTest } from "./strain-tests";
import { takeGlass, takeMoulds } from "./take";
import { books } from "./views";
import { washMould } from "./wash-mould";

export const useCases = {
	addSamplePicture,
	layStrainTest,
	readStrainTest,
	saveGlass,
	saveFamily,
	saveMould,
	saveSample,
	takeGlass,
	takeMoulds,
	washMould,
};

export const views = { books };
