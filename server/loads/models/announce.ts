import { randomUUID } from "node:crypto";
import type { ActionInput } from "@contract/actions";
import { mayBeLoaded } from "@core/journey/journey";
import { loadFiring } from "@db/queries/firings";
import { lockPieces } from "@db/queries/pieces";
import { firing, firingPlace } from "@db/schema";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { lockedKiln, refuseRetired } from "../../kilns/models/kiln";
import { recordSteps } from "../../pieces/models/record";
import { planLoad } from "./plan-load";
import { refuseTaken } from "./refuse-taken";

type Wanted = ActionInput<"acceptLoad">;

/** Orders of laying that are tried where nobody said where the pieces lie: the page tried more. */
export const LAY_PASSES = 12;

/** Turns a proposal into an announced firing, after checking everything again against pieces and kiln as they are now. */
export async function announce(context: Context, wanted: Wanted): Promise<{ firingId: string; number: number }> {
	const { tx, now, studio } = context;
	const { firingId, kilnId, pieces: chosen, laid } = wanted;
	const again = await loadFiring(tx, firingId);
	if (again?.state === "cancelled")
		throw new Refusal("conflict", `Firing ${again.number} was called off. Plan it anew.`);
	if (again) return { firingId, number: again.number };
	const kiln = await lockedKiln(tx, kilnId);
	refuseRetired(kiln);
	const startsAt = wanted.startsAt ? new Date(wanted.startsAt) : null;
	await refuseChanged(context, chosen, startsAt ?? now);
	const ids = chosen.map(({ pieceId }) => pieceId);
	const wish = laid ? { laid } : { passes: LAY_PASSES };
	const { proposal, family, pieces } = await planLoad(tx, studio, kilnId, ids, wish);
	if (proposal.leftIds.length > 0)
		throw new Refusal("conflict", `${proposal.leftIds.length} of these pieces no longer fit the shelf. Propose again.`);
	await refuseTaken(context, { kiln, startsAt, openS: proposal.openS, firingId, pieces });
	const [made] = await tx
		.insert(firing)
		.values({
			...{ id: firingId, kilnId, state: "planned" as const, familyId: family.id, plannedAt: now, startsAt },
			level: pieces[0]?.level ?? "full",
			...{ schedule: proposal.schedule, setBy: proposal.setBy, airMin: proposal.airMin },
			...{ openS: proposal.openS, kwh: proposal.kwh, flow: proposal.flow },
		})
		.returning();
	const levels = new Map(pieces.map(({ id, level }) => [id, level]));
	await tx.insert(firingPlace).values(
		proposal.places.map(({ id: pieceId, ...lies }) => ({
			...{ firingId, pieceId, ...lies },
			costHours: proposal.costHours[pieceId] ?? 0,
			expectedLevel: levels.get(pieceId) ?? "full",
		})),
	);
	await recordSteps(
		context,
		ids.map((pieceId) => ({ pieceId, eventId: randomUUID(), data: { type: "placed", firingId } })),
	);
	return { firingId, number: (made as NonNullable<typeof made>).number };
}

/** Refused where a piece is not as the person saw it, or will not be dry by then. */
async function refuseChanged({ tx }: Context, chosen: Wanted["pieces"], at: Date): Promise<void> {
	const rows = await lockPieces(
		tx,
		chosen.map(({ pieceId }) => pieceId),
	);
	const seen = new Map(chosen.map(({ pieceId, seq }) => [pieceId, seq]));
	for (const row of rows)
		if (seen.get(row.id) !== row.seq || !mayBeLoaded(row.journey, at.toISOString()))
			throw new Refusal(
				"conflict",
				`${row.code} changed while you were planning. The trays show it as it is now; propose again.`,
			);
}
