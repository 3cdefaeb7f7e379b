import { acceptLoad } from "./accept-load";
import { acceptPlan } from "./accept-plan";
import { cancelFiring } from "./cancel-firing";
import { confirmPlace } from "./confirm-place";
import { moveFiring } from "./move-firing";
import { plan } from "./plan";
import { proposal } from "./proposal";
import { replaceInLoad } from "./replace-in-load";
import { loadSheet } from "./sheet";
import { load } from "./views";

export const useCases = { acceptLoad, acceptPlan, cancelFiring, confirmPlace, moveFiring, replaceInLoad };

export const views = { load, loadSheet, plan, proposal };
