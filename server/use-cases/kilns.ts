import { SHELF_SHAPES } from "@core/kiln/record";
import { type Phrase, say } from "@core/units/phrase";
import type { Transaction } from "@db/connect";
import { storeReadings } from "@db/queries/readings";
import { firing, kiln, kilnLesson } from "@db/schema";
import { readLog } from "@formats/kiln-log";
import { and, eq, max } from "drizzle-orm";
import { bodyAfter, learnedFrom, offsetFor } from "../kiln-lessons";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Writes a kiln down, new or known. */
export const saveKiln: UseCase<"saveKiln"> = {
	role: "instructor",
	async run({ tx }, { kiln: form }) {
		const { id, ...fields } = form;
		if (fields.line?.driver === "modbus" && fields.permissions.start && !fields.line.map.commands.start)
			throw new Refusal("invalid", [
				{ path: ["kiln", "permissions"], sentence: "To start it from here its register map needs a start command." },
			]);
		const outside = fields.zones.find(
			({ xMm, yMm, widthMm, heightMm }) =>
				xMm + widthMm > fields.shelfWidthMm + 1 || yMm + heightMm > fields.shelfHeightMm + 1,
		);
		if (outside)
			throw new Refusal("invalid", [
				{ path: ["kiln", "zones"], sentence: `The zone “${outside.name}” reaches beyond the shelf.` },
			]);
		if (fields.shelfShape !== SHELF_SHAPES[0] && fields.shelfWidthMm !== fields.shelfHeightMm)
			throw new Refusal("invalid", [
				{ path: ["kiln", "shelfHeightMm"], sentence: `A ${fields.shelfShape} shelf is as deep as it is wide.` },
			]);
		const [known] = await tx.select().from(kiln).where(eq(kiln.id, id)).for("update");
		if (known) {
			if (known.kind !== fields.kind && known.uses > 0)
				throw new Refusal("conflict", "A kiln that has been fired keeps its kind.");
			await tx.update(kiln).set(fields).where(eq(kiln.id, id));
		} else {
			const [last] = await tx.select({ sort: max(kiln.sort) }).from(kiln);
			await tx.insert(kiln).values({ id, ...fields, sort: (last?.sort ?? 0) + 1 });
		}
		return { kilnId: id };
	},
};

/** A task was done: its count begins again. */
export const doneUpkeep: UseCase<"doneUpkeep"> = {
	role: "assistant",
	async run({ tx, now }, { kilnId, what }) {
		const row = await lockedKiln(tx, kilnId);
		const task = row.upkeep.find((one) => one.what === what);
		if (!task && what !== "look at the elements") throw new Refusal("missing", "This task is not in the kiln’s list.");
		await tx
			.update(kiln)
			.set(
				task
					? { upkeep: row.upkeep.map((one) => (one.what === what ? { ...one, sinceFirings: 0 } : one)) }
					: { elements: { ...row.elements, firings: 0, hours: 0, fittedOn: now.toISOString().slice(0, 10) } },
			)
			.where(eq(kiln.id, kilnId));
		return { kilnId };
	},
};

/** A recorded log joins the kiln's readings. Lines that are already there count once. */
export const importKilnLog: UseCase<"importKilnLog"> = {
	role: "instructor",
	async run({ tx, studio }, { kilnId, text, mapping }) {
		await lockedKiln(tx, kilnId);
		const read = readLog(text, mapping, studio.timeZone);
		if (!read.ok) throw new Refusal("invalid", read.problems);
		const { points, skipped } = read.value;
		const [first, last] = [points[0], points.at(-1)];
		if (first?.atMs == null || last?.atMs == null)
			throw new Refusal("invalid", [
				{ path: ["mapping", "time", "startsAt"], sentence: "Say when this log begins: its times are only counted." },
			]);
		const added = await storeReadings(
			tx,
			points.map(({ atMs, s: _, ...values }) => ({ kilnId, at: new Date(atMs ?? 0), ...values })),
		);
		return {
			added,
			known: points.length - added,
			skipped,
			from: new Date(first.atMs).toISOString(),
			to: new Date(last.atMs).toISOString(),
		};
	},
};

/** The kiln's model becomes what a stretch of its record taught; computed again here, never taken from a page. */
export const acceptLearned: UseCase<"acceptLearned"> = {
	role: "instructor",
	async run({ tx, now, actor }, { lessonId, kilnId, from, to }) {
		const row = await lockedKiln(tx, kilnId);
		const learned = await learnedFrom(tx, row, new Date(from), new Date(to));
		const after = bodyAfter(row, learned);
		if (!after) throw new Refusal("invalid", "This record does not tell enough about the kiln.");
		const because: Phrase[] = [
			say`Learned from ${{ n: learned.heatingWindows }} stretches of heating and ${{ n: learned.fallingWindows }} of falling.`,
			...learned.unknown,
		];
		return keepLesson(tx, row, { id: lessonId, at: now, what: "log", after, because, actorId: actor.id });
	},
};

/** The proposed offset, accepted by an instructor; refused where the evidence changed meanwhile. */
export const acceptOffset: UseCase<"acceptOffset"> = {
	role: "instructor",
	async run({ tx, now, actor }, { lessonId, kilnId, proposedK }) {
		const row = await lockedKiln(tx, kilnId);
		const proposal = await offsetFor(tx, row);
		if (!proposal || proposal.proposedK !== proposedK)
			throw new Refusal("conflict", "The evidence changed meanwhile. Look at it again.");
		const because = proposal.evidence.map(
			({ label, expected, judged, flow }) =>
				say`Firing ${label}: expected ${expected}, came out ${judged}, flow index ${{ n: flow }} as shown.`,
		);
		const after = { ...row.body, offsetK: proposedK };
		await keepLesson(tx, row, { id: lessonId, at: now, what: "offset", after, because, actorId: actor.id });
		return { offsetK: proposedK };
	},
};

type KilnRow = typeof kiln.$inferSelect;

async function lockedKiln(tx: Transaction, kilnId: string): Promise<KilnRow> {
	const [row] = await tx.select().from(kiln).where(eq(kiln.id, kilnId)).for("update");
	if (!row) throw new Refusal("missing", "This kiln is not in the book.");
	return row;
}

async function keepLesson(
	tx: Transaction,
	row: KilnRow,
	lesson: Omit<typeof kilnLesson.$inferInsert, "kilnId" | "before">,
): Promise<{ lessonId: string }> {
	const [running] = await tx
		.select({ number: firing.number })
		.from(firing)
		.where(and(eq(firing.kilnId, row.id), eq(firing.state, "running")));
	if (running)
		throw new Refusal("conflict", `Firing ${running.number} is running on the old figures. Wait until it is opened.`);
	await tx.insert(kilnLesson).values({ ...lesson, kilnId: row.id, before: row.body });
	await tx.update(kiln).set({ body: lesson.after }).where(eq(kiln.id, row.id));
	return { lessonId: lesson.id };
}
