import { busyWith, endAlarmsOf, lockThing, setRetired } from "@db/queries/keeping";
import { lockKiln } from "@db/queries/kilns";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { refuseLineTaken } from "../kilns/models/line-taken";

/** Puts something away or brings it back. A kiln is put away cold and empty, and is listened to no longer. */
export const putAway: UseCase<"putAway"> = async ({ tx, now }, { what, id, retired }) => {
	const row = inTheBook(await lockThing(tx, what, id), what);
	if (what === "kiln" && retired) {
		const busy = await busyWith(tx, row.id);
		if (busy !== undefined)
			throw new Refusal(
				"conflict",
				busy > 0
					? `Firing ${busy} is in “${row.name}”. Open it or call it off first.`
					: `“${row.name}” is still hot from its last run. Open it first.`,
			);
		await endAlarmsOf(tx, row.id, now);
	}
	if (what === "kiln" && !retired) {
		const back = inTheBook(await lockKiln(tx, row.id), "kiln");
		await refuseLineTaken(tx, back);
	}
	await setRetired(tx, what, row.id, retired);
	return { retired };
};
