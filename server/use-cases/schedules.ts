import { checkSchedule } from "@core/firing/check-schedule";
import type { ScheduleDocument } from "@core/firing/document";
import { planFlow } from "@core/firing/plan-flow";
import { viscosityOf } from "@core/glass/viscosity";
import { simulateFiring } from "@core/kiln/simulate";
import { loadHeat } from "@core/loading/propose";
import { METRIC, phraseText } from "@core/units/phrase";
import type { Transaction } from "@db/connect";
import { firing, firingPlace, glassFamily, kiln, piece, schedule, scheduleVersion, studio } from "@db/schema";
import { and, eq, max } from "drizzle-orm";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Keeps a schedule's draft. Who saves on an older one is told. */
export const saveSchedule: UseCase<"saveSchedule"> = {
	role: "instructor",
	async run({ tx, now }, { scheduleId, revision, document }) {
		await familyOf(tx, document);
		const [known] = await tx.select().from(schedule).where(eq(schedule.id, scheduleId)).for("update");
		if (!known) {
			await tx.insert(schedule).values({ id: scheduleId, document, updatedAt: now });
			return { scheduleId, revision: 1 };
		}
		if (known.revision !== revision)
			throw new Refusal(
				"conflict",
				"Somebody saved this schedule meanwhile. Yours is still here: save it under another name.",
			);
		const next = revision + 1;
		await tx.update(schedule).set({ document, revision: next, updatedAt: now }).where(eq(schedule.id, scheduleId));
		return { scheduleId, revision: next };
	},
};

/** How the studio fires where nobody says otherwise. */
export const saveSchools: UseCase<"saveSchools"> = {
	role: "instructor",
	async run({ tx }, { schools: { heat, soak, cooling, dots } }) {
		await tx.update(studio).set({ heatSchool: heat, soakSchool: soak, coolingSchool: cooling, dotSchool: dots });
		return { saved: true };
	},
};

/** A firing without pieces of students: tests, dots, a kiln's first run. */
export const planFiring: UseCase<"planFiring"> = {
	role: "instructor",
	async run({ tx, now }, { firingId, kilnId, scheduleId, document, what }) {
		const [again] = await tx.select().from(firing).where(eq(firing.id, firingId));
		if (again) return { firingId, number: again.number };
		const [row] = await tx.select().from(kiln).where(eq(kiln.id, kilnId)).for("update");
		if (row?.kind !== "electric") throw new Refusal("invalid", "Choose a kiln that takes a schedule.");
		const [busy] = await tx
			.select()
			.from(firing)
			.where(and(eq(firing.kilnId, kilnId), eq(firing.state, "planned")));
		if (busy) throw new Refusal("conflict", `${row.name} already has firing ${busy.number} planned.`);
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
	},
};

/** Gives a planned firing another schedule; one that runs keeps what it was started with. */
export const reschedule: UseCase<"reschedule"> = {
	role: "instructor",
	async run({ tx, now }, { firingId, scheduleId, document }) {
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId)).for("update");
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		if (row.state !== "planned")
			throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; its schedule is what it was started with.`);
		const [its] = await tx.select().from(kiln).where(eq(kiln.id, row.kilnId));
		if (!its) throw new Refusal("missing", "This kiln is not in the book.");
		if (document.familyId !== row.familyId)
			throw new Refusal("invalid", "This load is of another family of glass than the schedule.");
		const fired = await forKiln(tx, document, its, await loadedIn(tx, firingId));
		const scheduleVersionId = await versionOf(tx, scheduleId, document, now);
		await tx
			.update(firing)
			.set({ ...fired, level: row.level, scheduleVersionId })
			.where(eq(firing.id, firingId));
		return { firingId };
	},
};

async function familyOf(tx: Transaction, { familyId }: ScheduleDocument) {
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, familyId));
	if (!family)
		throw new Refusal("invalid", [{ path: ["document", "familyId"], sentence: "This family is not in the book." }]);
	return family;
}

async function loadedIn(tx: Transaction, firingId: string) {
	const rows = await tx
		.select({ journey: piece.journey })
		.from(firingPlace)
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(eq(firingPlace.firingId, firingId));
	return rows.flatMap(({ journey }) => (journey.asMade ? [{ asMade: journey.asMade }] : []));
}

/** What a firing keeps of its schedule on this kiln; refuses what the kiln, family or mould cannot bear. */
async function forKiln(
	tx: Transaction,
	document: ScheduleDocument,
	row: typeof kiln.$inferSelect,
	loaded: Awaited<ReturnType<typeof loadedIn>> = [],
) {
	const family = await familyOf(tx, document);
	const limits = { maxC: row.maxC, maxSegments: row.maxSegments };
	const never = ["kilnLimit", "tooManySegments", "neverReached", "mouldLimit", "untested"];
	const stops = checkSchedule(document, family, row.body, limits).filter(({ code }) => never.includes(code));
	if (stops.length > 0)
		throw new Refusal(
			"invalid",
			stops.map(({ sentence }) => ({ path: ["document", "segments"], sentence: phraseText(sentence, METRIC) })),
		);
	const { segments } = document;
	const bareMm = loaded.length > 0 ? 0 : Math.max(...document.pieces.map(({ thickestMm }) => thickestMm));
	const shelf = { widthMm: row.shelfWidthMm, heightMm: row.shelfHeightMm };
	const simulation = simulateFiring({
		kiln: row.body,
		schedule: { segments },
		family,
		...loadHeat(loaded, shelf, bareMm),
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

/** The frozen version of a kept schedule that is being fired; one is made where this draft has none yet. */
async function versionOf(
	tx: Transaction,
	scheduleId: string | null,
	document: ScheduleDocument,
	now: Date,
): Promise<string | null> {
	if (scheduleId === null) return null;
	const [kept] = await tx.select().from(schedule).where(eq(schedule.id, scheduleId)).for("update");
	if (!kept || JSON.stringify(sorted(kept.document)) !== JSON.stringify(sorted(document))) return null;
	const [frozen] = await tx
		.select()
		.from(scheduleVersion)
		.where(and(eq(scheduleVersion.scheduleId, scheduleId), eq(scheduleVersion.revision, kept.revision)));
	if (frozen) return frozen.id;
	const [last] = await tx
		.select({ version: max(scheduleVersion.version) })
		.from(scheduleVersion)
		.where(eq(scheduleVersion.scheduleId, scheduleId));
	const [made] = await tx
		.insert(scheduleVersion)
		.values({ scheduleId, version: (last?.version ?? 0) + 1, revision: kept.revision, document, frozenAt: now })
		.returning({ id: scheduleVersion.id });
	return made?.id ?? null;
}

/** The same document with its keys in one order: the database keeps them in another. */
const sorted = (value: unknown): unknown => {
	if (Array.isArray(value)) return value.map(sorted);
	if (value === null || typeof value !== "object") return value;
	return Object.fromEntries(
		Object.entries(value)
			.sort(([a], [b]) => a.localeCompare(b))
			.map(([key, one]) => [key, sorted(one)]),
	);
};
