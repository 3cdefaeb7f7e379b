import { addPhoto } from "./add-photo";
import { changeLevel } from "./change-level";
import { chooseMould } from "./choose-mould";
import { collect } from "./collect";
import { dry } from "./dry";
import { finishColdWork } from "./finish-cold-work";
import { handIn } from "./hand-in";
import { handOver } from "./hand-over";
import { labels } from "./labels";
import { measure } from "./measure";
import { note } from "./note";
import { reglue } from "./reglue";
import { shelve } from "./shelve";
import { undo } from "./undo";
import { pieceView } from "./views";

export const useCases = {
	addPhoto,
	changeLevel,
	chooseMould,
	handIn,
	measure,
	reglue,
	finishColdWork,
	shelve,
	collect,
	undo,
	note,
};

export const views = { dry, handOver, piece: pieceView, labels };
