import { lockFiring, placesIn } from "@db/queries/firings";
import { loadWaiting } from "@db/queries/waiting";
import { firing, firingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { refuseAtKiln } from "../firings/models/hands";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { lockedKiln, refuseRetired } from "../kilns/models/kiln";
import { refuseFullShelf } from "../stock/models/fill-lots";
import { LAY_PASSES } from "./models/announce";
import { planLoad } from "./models/plan-load";
import { refuseTaken } from "./models/refuse-taken";

/** Gives an announced firing another hour, or another kiln, where it is laid and timed anew. */
export const moveFiring: UseCase<"moveFiring"> = async (context, { firingId, kilnId, startsAt }) => {
	const { tx } = context;
	refuseAtKiln(context, "load");
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "planned") throw new Refusal("conflict", `Firing ${row.number} has started: it stays where it is.`);
	const kiln = await lockedKiln(tx, kilnId);
	refuseRetired(kiln);
	const openS = kilnId === row.kilnId ? row.openS : await laidAnew(context, firingId, kilnId, row.what);
	if (kilnId !== row.kilnId) await refuseFullShelf(context, firingId, kiln);
	const at = startsAt ? new Date(startsAt) : null;
	const ids = (await placesIn(tx, firingId)).map(({ pieceId }) => pieceId);
	await refuseTaken(context, { kiln, startsAt: at, openS, firingId, pieces: await loadWaiting(tx, ids) });
	await tx.update(firing).set({ kilnId, startsAt: at }).where(eq(firing.id, firingId));
	return { firingId };
};

/** The same pieces on another kiln's shelf, by a schedule for that kiln. Returns when it may be opened, s. */
async function laidAnew({ tx, studio }: Context, firingId: string, kilnId: string, what: string): Promise<number> {
	const places = await placesIn(tx, firingId);
	if (places.length === 0)
		throw new Refusal("invalid", `“${what || "This firing"}” has no pieces to lay anew: plan it on the other kiln.`);
	const ids = places.map(({ pieceId }) => pieceId);
	const { proposal, family } = await planLoad(tx, studio, kilnId, ids, { passes: LAY_PASSES });
	if (proposal.leftIds.length > 0)
		throw new Refusal("conflict", `${proposal.leftIds.length} of its pieces do not fit on the other kiln’s shelf.`);
	for (const { id, ...lies } of proposal.places)
		await tx
			.update(firingPlace)
			.set({ ...lies, costHours: proposal.costHours[id] ?? 0, loadedAt: null })
			.where(and(eq(firingPlace.firingId, firingId), eq(firingPlace.pieceId, id)));
	const { schedule, setBy, airMin, openS, kwh, flow } = proposal;
	await tx
		.update(firing)
		.set({ schedule, setBy, airMin, openS, kwh, flow, scheduleVersionId: null, familyId: family.id })
		.where(eq(firing.id, firingId));
	return openS;
}
