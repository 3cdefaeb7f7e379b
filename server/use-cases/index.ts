import type { ActionName } from "@contract/actions";
import type { UseCase } from "../perform";
import { handIn, issueKits, reglue, signSafety } from "./bench";
import { saveFamily, saveGlass, saveMould, saveSample } from "./books";
import { changePassword } from "./change-password";
import { planCut, tickCut } from "./cut";
import { judge, openFiring, startFiring } from "./fire";
import { collect, finishColdWork, note, shelve, undo } from "./hand-over";
import { importKit } from "./import-kit";
import { acceptLearned, acceptOffset, doneUpkeep, importKilnLog, saveKiln } from "./kilns";
import { acceptLoad, cancelFiring } from "./load";
import { endMicrowave, lookMicrowave, openMicrowave, saveOven, startMicrowave } from "./microwave";
import { noteFiring, pressStandIn, seeAlarm, steerKiln, tellStandIn } from "./running";
import { saveKit } from "./save-kit";
import { planFiring, reschedule, saveSchedule, saveSchools } from "./schedules";

/** Everything the studio can be made to do. */
export const useCases: { [N in ActionName]: UseCase<N> } = {
	saveKit,
	importKit,
	saveGlass,
	saveFamily,
	saveMould,
	saveSample,
	planCut,
	tickCut,
	signSafety,
	issueKits,
	handIn,
	reglue,
	acceptLoad,
	cancelFiring,
	startFiring,
	saveSchedule,
	saveSchools,
	planFiring,
	reschedule,
	saveKiln,
	doneUpkeep,
	importKilnLog,
	acceptLearned,
	acceptOffset,
	noteFiring,
	steerKiln,
	seeAlarm,
	tellStandIn,
	pressStandIn,
	saveOven,
	startMicrowave,
	lookMicrowave,
	endMicrowave,
	openMicrowave,
	openFiring,
	judge,
	finishColdWork,
	shelve,
	collect,
	undo,
	note,
	changePassword,
};
