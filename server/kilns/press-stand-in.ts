import { pressButton } from "../devices/stand-in-panel";
import type { UseCase } from "../house/context";
import { answering, standInOf } from "./models/stand-in";

/** A button of the stand-in's own panel: what a person at a real kiln presses there. */
export const pressStandIn: UseCase<"pressStandIn"> = async ({ tx }, { kilnId, button }) => {
	const port = await standInOf(tx, kilnId);
	await answering(() => pressButton(port, button));
	return { button };
};
