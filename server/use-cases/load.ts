import { randomUUID } from "node:crypto";
import { mayBeLoaded } from "@core/journey/journey";
import { firing, firingPlace, kiln } from "@db/schema";
import { and, eq, inArray } from "drizzle-orm";
import type { UseCase } from "../perform";
import { planLoad } from "../plan-load";
import { lockPieces, recordStep } from "../record";
import { Refusal } from "../refusal";

/** Turns a proposal into a planned firing, after checking everything again against the pieces as they are now. */
export const acceptLoad: UseCase<"acceptLoad"> = {
	role: "assistant",
	async run(context, { firingId, kilnId, pieces: chosen }) {
		const { tx, now, studio } = context;
		const [again] = await tx.select().from(firing).where(eq(firing.id, firingId));
		if (again) return { firingId, number: again.number };
		await tx.select().from(kiln).where(eq(kiln.id, kilnId)).for("update");
		const [busy] = await tx
			.select()
			.from(firing)
			.where(and(eq(firing.kilnId, kilnId), eq(firing.state, "planned")));
		if (busy)
			throw new Refusal(
				"conflict",
				`This kiln already has firing ${busy.number} planned. Start it or call it off first.`,
			);
		const rows = await lockPieces(
			tx,
			chosen.map(({ pieceId }) => pieceId),
		);
		for (const row of rows) {
			const seen = chosen.find(({ pieceId }) => pieceId === row.id)?.seq;
			if (seen !== row.seq || !mayBeLoaded(row.journey, now.toISOString())) {
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
			throw new Refusal(
				"conflict",
				`${proposal.leftIds.length} of these pieces no longer fit the shelf. Propose again.`,
			);
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
		for (const place of proposal.places) {
			const expectedLevel = pieces.find(({ id }) => id === place.id)?.level ?? "full";
			const { id: pieceId, ...lies } = place;
			await tx
				.insert(firingPlace)
				.values({ firingId, pieceId, ...lies, costHours: proposal.costHours[pieceId] ?? 0, expectedLevel });
			await recordStep(context, { pieceId, eventId: randomUUID(), data: { type: "placed", firingId } });
		}
		return { firingId, number: (made as NonNullable<typeof made>).number };
	},
};

/** Calls a planned firing off: every piece goes back to its tray. */
export const cancelFiring: UseCase<"cancelFiring"> = {
	role: "assistant",
	async run(context, { firingId }) {
		const { tx } = context;
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId)).for("update");
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		if (row.state === "cancelled") return { released: 0 };
		if (row.state !== "planned")
			throw new Refusal(
				"conflict",
				`Firing ${row.number} has started and cannot be called off here. Stop it at the kiln.`,
			);
		const places = await tx.select().from(firingPlace).where(eq(firingPlace.firingId, firingId));
		for (const { pieceId } of places) {
			await recordStep(context, { pieceId, eventId: randomUUID(), data: { type: "takenOut", firingId } });
		}
		await tx.delete(firingPlace).where(
			and(
				eq(firingPlace.firingId, firingId),
				inArray(
					firingPlace.pieceId,
					places.map(({ pieceId }) => pieceId),
				),
			),
		);
		await tx.update(firing).set({ state: "cancelled" }).where(eq(firing.id, firingId));
		return { released: places.length };
	},
};
