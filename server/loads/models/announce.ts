import { randomUUID } from "node:crypto";
import type { ActionInput } from "@contract/actions";
import { mayBeLoaded } from "@core/journey/journey";
import { loadFiring } from "@db/queries/firings";
import { lockPieces } from "@db/queries/pieces";
import { firing, firingPlace } from "@db/schema";
import { clockNear } from "@formats/time";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { lockedKiln, refuseRetired } from "../../kilns/models/kiln";
import { recordSteps } from "../../pieces/models/record";
import { calendarFirings } from "./calendar";
import { houseSpans } from "./house-spans";
import { planLoad } from "./plan-load";

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
	refuseRetired(await lockedKiln(tx, kilnId));
	const startsAt = wanted.startsAt ? new Date(wanted.startsAt) : null;
	await refuseChanged(context, chosen, startsAt ?? now);
	const ids = chosen.map(({ pieceId }) => pieceId);
	const wish = laid ? { laid } : { passes: LAY_PASSES };
	const { proposal, family, pieces } = await planLoad(tx, studio, kilnId, ids, wish);
	if (proposal.leftIds.length > 0)
		throw new Refusal("conflict", `${proposal.leftIds.length} of these pieces no longer fit the shelf. Propose again.`);
	if (startsAt) await refuseTaken(context, { kilnId, startsAt, openS: proposal.openS, firingId });
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

/** A page may be open so long before what it planned is announced, ms. */
const LATE_MS = 15 * 60_000;

/** Refused where the hour is past, or another firing has the kiln in those hours. */
export async function refuseTaken(
	{ tx, now, studio }: Context,
	{ kilnId, startsAt, openS, firingId }: { kilnId: string; startsAt: Date; openS: number; firingId: string },
): Promise<void> {
	if (startsAt.getTime() < now.getTime() - LATE_MS)
		throw new Refusal("conflict", "The hour it was to be started at is past. Load the page again for a new plan.");
	const { there } = houseSpans(studio, now, 21);
	const from = startsAt.getTime();
	const until = from + openS * 1000;
	const others = await calendarFirings(tx, now, there, studio.timeZone);
	const clash = others.find(
		(other) => other.kilnId === kilnId && other.id !== firingId && from < other.coolMs && until > other.from,
	);
	if (clash)
		throw new Refusal(
			"conflict",
			`Firing ${clash.number} has this kiln from ${clockNear(new Date(clash.from), now, studio.timeZone)} until ${clockNear(new Date(clash.coolMs), now, studio.timeZone)}. Choose another hour or kiln.`,
		);
}
