import { acceptLoad } from "./accept-load";
import { acceptPlan } from "./accept-plan";
import { cancelFiring } from "./cancel-firing";
import { moveFiring } from "./move-firing";
import { plan } from "./plan";
import { proposal } from "./proposal";
import { load } from "./views";

export const useCases = { acceptLoad, acceptPlan, cancelFiring, moveFiring };

export const views = { load, plan, proposal };
