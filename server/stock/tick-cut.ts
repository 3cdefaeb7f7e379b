import { cutListOf } from "@core/cutting/count";
import { wantedFor } from "@core/cutting/wanted";
import { countCut, runKit } from "@db/queries/stock";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** More of one cut are done, or fewer where some broke: the device's own event, so that a repeated tap counts once. */
export const tickCut: UseCase<"tickCut"> = async (
	{ tx, studio, now, actor },
	{ cutRunId, lineKey, eventId, more, broke },
) => {
	const run = await runKit(tx, cutRunId);
	if (!run) throw new Refusal("missing", "This cut list is gone.");
	const { document, kits, glasses, fromDrawer } = run;
	const wanted = wantedFor(document, kits, glasses, fromDrawer);
	const line = cutListOf(wanted, studio.customs.spares).find(({ key }) => key === lineKey);
	if (!line) throw new Refusal("missing", "This cut is not on the list any more.");
	const counted = await countCut(tx, {
		id: eventId,
		cutRunId,
		lineKey,
		more,
		broke: broke ?? 0,
		at: now,
		actorName: actor.name,
	});
	if (more > 0 && counted.done > line.needed + line.spares)
		throw new Refusal(
			"conflict",
			`${line.needed + line.spares} are on the list with their spares, and all are cut. Look again.`,
		);
	return counted;
};
