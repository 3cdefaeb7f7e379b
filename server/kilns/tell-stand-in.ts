import { letFail } from "../devices/stand-in-panel";
import type { UseCase } from "../house/context";
import { answering, standInOf } from "./models/stand-in";

/** Lets the stand-in fail, to see what the studio makes of it. */
export const tellStandIn: UseCase<"tellStandIn"> = async ({ tx }, { kilnId, fault, forMin }) => {
	const port = await standInOf(tx, kilnId);
	await answering(() => letFail(port, fault, forMin));
	return { fault };
};
