import type { ActionName } from "@contract/actions";
import type { UseCase } from "../perform";
import { handIn, issueKits, reglue, signSafety } from "./bench";
import { changePassword } from "./change-password";
import { planCut, tickCut } from "./cut";
import { judge, openFiring, startFiring } from "./fire";
import { collect, finishColdWork, note, shelve, undo } from "./hand-over";
import { acceptLoad, cancelFiring } from "./load";
import { saveKit } from "./save-kit";

/** Everything the studio can be made to do. */
export const useCases: { [N in ActionName]: UseCase<N> } = {
	saveKit,
	planCut,
	tickCut,
	signSafety,
	issueKits,
	handIn,
	reglue,
	acceptLoad,
	cancelFiring,
	startFiring,
	openFiring,
	judge,
	finishColdWork,
	shelve,
	collect,
	undo,
	note,
	changePassword,
};
