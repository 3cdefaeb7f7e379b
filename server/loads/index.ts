import { acceptLoad } from "./accept-load";
import { cancelFiring } from "./cancel-firing";
import { proposal } from "./proposal";
import { load } from "./views";

export const useCases = { acceptLoad, cancelFiring };

export const views = { load, proposal };
