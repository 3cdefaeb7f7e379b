import type { ScheduleDocument } from "@core/firing/document";
import { loadFiring } from "@db/queries/firings";
import { lockKiln } from "@db/queries/kilns";
import { firing } from "@db/schema";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { refuseRetired } from "../../kilns/models/kiln";
import { refuseClosed } from "../../kilns/models/out-of-service";
import { forKiln } from "./for-kiln";
import { versionOf } from "./version-of";

interface BareFiring {
	firingId: string;
	kilnId: string;
	/** The schedule it is of, where one is kept. */
	scheduleId: string | null;
	document: ScheduleDocument;
	what: string;
}

/** Plans a firing without pieces of students in a kiln; sent twice it is one. */
export async function planBare(
	{ tx, now, studio }: Pick<Context, "tx" | "now" | "studio">,
	{ firingId, kilnId, scheduleId, document, what }: BareFiring,
): Promise<{ firingId: string; number: number }> {
	const again = await loadFiring(tx, firingId);
	if (again?.state === "cancelled")
		throw new Refusal("conflict", `Firing ${again.number} was called off. Plan it anew.`);
	if (again) return { firingId, number: again.number };
	const row = await lockKiln(tx, kilnId);
	if (row?.kind !== "electric") throw new Refusal("invalid", "Choose a kiln that takes a schedule.");
	refuseRetired(row);
	refuseClosed(row, now, studio.timeZone, now.getTime(), now.getTime() + 1);
	const fired = await forKiln(tx, document, row);
	const [made] = await tx
		.insert(firing)
		.values({
			id: firingId,
			kilnId,
			state: "planned",
			plannedAt: now,
			scheduleVersionId: await versionOf(tx, scheduleId, document, now),
			thicknessMm: Math.max(...document.pieces.map(({ thickestMm }) => thickestMm)),
			what,
			setBy: { firstRamp: [], air: [], soak: [], cool: [] },
			...fired,
		})
		.returning();
	return { firingId, number: made?.number ?? 0 };
}
