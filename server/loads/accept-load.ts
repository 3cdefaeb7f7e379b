import { randomUUID } from "node:crypto";
import { mayBeLoaded } from "@core/journey/journey";
import { firingOf, loadFiring } from "@db/queries/firings";
import { lockPieces } from "@db/queries/pieces";
import { firing, firingPlace } from "@db/schema";
import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { lockedKiln, refuseRetired } from "../kilns/models/kiln";
import { recordSteps } from "../pieces/models/record";
import { planLoad } from "./models/plan-load";

/** Turns a proposal into a planned firing, after checking everything again against the pieces as they are now. */
export const acceptLoad: UseCase<"acceptLoad"> = async (context, { firingId, kilnId, pieces: chosen }) => {
	const { tx, now, studio } = context;
	refuseAtKiln(context, "load");
	const again = await loadFiring(tx, firingId);
	if (again) return { firingId, number: again.number };
	refuseRetired(await lockedKiln(tx, kilnId));
	const busy = await firingOf(tx, kilnId, "planned");
	if (busy)
		throw new Refusal(
			"conflict",
			`This kiln already has firing ${busy.number} planned. Start it or call it off first.`,
		);
	const rows = await lockPieces(
		tx,
		chosen.map(({ pieceId }) => pieceId),
	);
	const seen = new Map(chosen.map(({ pieceId, seq }) => [pieceId, seq]));
	for (const row of rows) {
		if (seen.get(row.id) !== row.seq || !mayBeLoaded(row.journey, now.toISOString())) {
			throw new Refusal(
				"conflict",
				`${row.code} changed while you were planning. The trays show it as it is now; propose again.`,
			);
		}
	}
	const { proposal, family, pieces } = await planLoad(
		tx,
		studio,
		kilnId,
		chosen.map(({ pieceId }) => pieceId),
	);
	if (proposal.leftIds.length > 0) {
		throw new Refusal("conflict", `${proposal.leftIds.length} of these pieces no longer fit the shelf. Propose again.`);
	}
	const [made] = await tx
		.insert(firing)
		.values({
			id: firingId,
			kilnId,
			state: "planned",
			familyId: family.id,
			level: pieces[0]?.level ?? "full",
			schedule: proposal.schedule,
			setBy: proposal.setBy,
			airMin: proposal.airMin,
			plannedAt: now,
			openS: proposal.openS,
			kwh: proposal.kwh,
			flow: proposal.flow,
		})
		.returning();
	const { places, costHours } = proposal;
	const levels = new Map(pieces.map(({ id, level }) => [id, level]));
	await tx.insert(firingPlace).values(
		places.map(({ id: pieceId, ...lies }) => ({
			firingId,
			pieceId,
			...lies,
			costHours: costHours[pieceId] ?? 0,
			expectedLevel: levels.get(pieceId) ?? "full",
		})),
	);
	await recordSteps(
		context,
		places.map(({ id: pieceId }) => ({ pieceId, eventId: randomUUID(), data: { type: "placed", firingId } })),
	);
	return { firingId, number: (made as NonNullable<typeof made>).number };
};
