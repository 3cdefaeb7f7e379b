import { randomUUID } from "node:crypto";
import { whyNotStart } from "@core/firing/may-start";
import { scheduleHours } from "@core/firing/schedule";
import { afterFiring } from "@core/kiln/record";
import { phraseText } from "@core/units/phrase";
import { firingOf, lockFiring, mouldsIn, placesIn } from "@db/queries/firings";
import { lockKiln } from "@db/queries/kilns";
import { lockPieces } from "@db/queries/pieces";
import { firing, kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { isStandIn, pressStart } from "../devices/stand-in-panel";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { unitsOf } from "../house/units-of";
import { refuseClosed } from "../kilns/models/out-of-service";
import { recordSteps } from "../pieces/models/record";
import { refuseAtKiln } from "./models/hands";

/** Starts a planned firing: somebody is at the kiln and has pressed its start; here the record and the readings begin. */
export const startFiring: UseCase<"startFiring"> = async (context, { firingId, speedUp }) => {
	const { tx, now } = context;
	refuseAtKiln(context, "load");
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state === "running" && row.startedAt) return { startedAt: row.startedAt.toISOString() };
	if (row.state !== "planned")
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state} and cannot be started.`);
	const its = inTheBook(await lockKiln(tx, row.kilnId), "kiln");
	refuseClosed(its, now, context.studio.timeZone, now.getTime(), now.getTime() + 1);
	const other = await firingOf(tx, row.kilnId, "running");
	if (other) throw new Refusal("conflict", `This kiln still holds firing ${other.number}. Open and unload it first.`);
	const places = await placesIn(tx, firingId);
	const why = whyNotStart({ schedule: row.schedule, kiln: its, moulds: await mouldsIn(tx, firingId) });
	if (why.length > 0)
		throw new Refusal(
			"conflict",
			`Since it was planned something changed. ${why.map((one) => phraseText(one, unitsOf(context.studio))).join(" ")}`,
		);
	const wet = (
		await lockPieces(
			tx,
			places.map(({ pieceId }) => pieceId),
		)
	).filter(({ journey: { readyFrom } }) => readyFrom !== undefined && Date.parse(readyFrom) > now.getTime());
	if (wet[0])
		throw new Refusal(
			"conflict",
			`The glue on ${wet.map(({ code }) => code).join(", ")} is not dry yet: damp lifts bubbles.`,
		);
	await recordSteps(
		context,
		places.map(({ pieceId }) => ({ pieceId, eventId: randomUUID(), data: { type: "firingStarted", firingId } })),
	);
	const { line } = its;
	if (speedUp > 1 && !isStandIn(line))
		throw new Refusal("invalid", `Only the stand-in’s clock can run faster: ${its.name} is real.`);
	await tx.update(firing).set({ state: "running", startedAt: now, speedUp }).where(eq(firing.id, firingId));
	const hours = scheduleHours(row.schedule, its.body);
	await tx
		.update(kiln)
		.set({ uses: its.uses + 1, ...afterFiring(its, hours) })
		.where(eq(kiln.id, its.id));
	if (isStandIn(line)) context.afterwards.push(() => pressStart(line.port, row.schedule.segments, speedUp));
	return { startedAt: now.toISOString() };
};
