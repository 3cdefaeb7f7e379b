import { checkSchedule } from "@core/firing/check-schedule";
import type { ScheduleDocument } from "@core/firing/document";
import { planFlow } from "@core/firing/plan-flow";
import { viscosityOf } from "@core/glass/viscosity";
import { simulateFiring } from "@core/kiln/simulate";
import { loadHeat } from "@core/loading/load-heat";
import { shelvesUsed } from "@core/loading/tiers";
import type { Transaction } from "@db/connect";
import type { lyingIn } from "@db/queries/lying";
import { glassFamily, type kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";

export async function familyOf(tx: Transaction, { familyId }: ScheduleDocument) {
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, familyId));
	if (!family)
		throw new Refusal("invalid", [
			{ path: ["document", "familyId"], sentence: "There is no such family in this studio." },
		]);
	return family;
}

/** What a firing keeps of its schedule on this kiln; refuses what the kiln, family or mould cannot bear. */
export async function forKiln(
	tx: Transaction,
	document: ScheduleDocument,
	row: typeof kiln.$inferSelect,
	loaded: Awaited<ReturnType<typeof lyingIn>> = [],
) {
	const family = await familyOf(tx, document);
	const limits = { maxC: row.maxC, maxSegments: row.maxSegments };
	const never = ["kiln-limit", "too-many-segments", "never-reached", "mould-limit", "untested-family"];
	const stops = checkSchedule(document, family, row.body, limits).filter(({ code }) => never.includes(code));
	if (stops.length > 0)
		throw new Refusal(
			"invalid",
			stops.map(({ sentence }) => ({ path: ["document", "segments"], sentence })),
		);
	const { segments } = document;
	const bareMm = loaded.length > 0 ? 0 : Math.max(...document.pieces.map(({ thickestMm }) => thickestMm));
	const shelf = { widthMm: row.shelfWidthMm, heightMm: row.shelfHeightMm };
	const simulation = simulateFiring({
		kiln: row.body,
		schedule: { segments },
		family,
		...loadHeat(loaded, shelf, { bareMm, shelves: shelvesUsed(loaded) }),
		onMould: document.mouldMaxC !== null,
	});
	return {
		familyId: family.id,
		level: document.level,
		schedule: { segments },
		airMin: segments.find(({ name, holdMin }) => name === "up" && holdMin > 0)?.holdMin ?? 0,
		openS: simulation.openS,
		kwh: simulation.kwh,
		flow: planFlow({ segments }, viscosityOf(family), row.body),
	};
}
