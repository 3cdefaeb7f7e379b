import { loadFiring } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { fillLots } from "../stock/models/fill-lots";
import { announce } from "./models/announce";

/** Turns a proposal into a planned firing, after checking everything again against the pieces as they are now. */
export const acceptLoad: UseCase<"acceptLoad"> = async (context, load) => {
	refuseAtKiln(context, "load");
	const { lotIds = [] } = load;
	const made = await announce(context, load);
	if (lotIds.length > 0) {
		const row = inTheBook(await loadFiring(context.tx, made.firingId), "firing");
		await fillLots(context, row, inTheBook(await loadKiln(context.tx, row.kilnId), "kiln"), lotIds);
	}
	return made;
};
