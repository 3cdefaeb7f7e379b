import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { callOff } from "./models/call-off";

/** Calls a planned firing off: every piece goes back to its tray. */
export const cancelFiring: UseCase<"cancelFiring"> = async (context, { firingId }) => {
	refuseAtKiln(context, "load");
	return { released: (await callOff(context, firingId)).length };
};
