import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { announce } from "./models/announce";

/** Turns a proposal into a planned firing, after checking everything again against the pieces as they are now. */
export const acceptLoad: UseCase<"acceptLoad"> = async (context, load) => {
	refuseAtKiln(context, "load");
	return announce(context, load);
};
