import { NEEDS_SOMEBODY } from "@contract/kiln";
import type { Transaction } from "@db/connect";
import { latestReading } from "@db/queries/readings";
import { firing, firingNote, kiln, kilnAlarm } from "@db/schema";
import { eq } from "drizzle-orm";
import { openLine } from "../devices/kiln-line";
import { isStandIn, letFail, pressButton } from "../devices/stand-in-panel";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** A note in a firing's log, with the time the kiln itself counts. */
export const noteFiring: UseCase<"noteFiring"> = {
	role: "assistant",
	async run({ tx, now, actor }, { noteId, firingId, text }) {
		const [row] = await tx.select().from(firing).where(eq(firing.id, firingId));
		if (!row) throw new Refusal("missing", "This firing is not in the book.");
		const reading = await latestReading(tx, row.kilnId);
		const elapsedS = reading?.firingId === firingId ? reading.elapsedS : null;
		await tx
			.insert(firingNote)
			.values({ id: noteId, firingId, at: now, elapsedS, text, actorId: actor.id })
			.onConflictDoNothing();
		return { noteId };
	},
};

/** Holds, skips or stops a kiln through its line: only where that was switched on for this kiln, and asked each time. */
export const steerKiln: UseCase<"steerKiln"> = {
	role: "instructor",
	async run({ tx, now, actor, studio }, { firingId, command, somebodyThere }) {
		const [found] = await tx
			.select({ firing, kiln })
			.from(firing)
			.innerJoin(kiln, eq(kiln.id, firing.kilnId))
			.where(eq(firing.id, firingId));
		if (!found) throw new Refusal("missing", "This firing is not in the book.");
		const { line, permissions, name } = found.kiln;
		const needsSomebody = NEEDS_SOMEBODY.includes(command);
		if (!line) throw new Refusal("conflict", `${name} has no line.`);
		if (!(needsSomebody ? permissions.start : permissions.steer))
			throw new Refusal(
				"forbidden",
				`${name} may only be read from here. Switch it on in the kiln’s page, or go there.`,
			);
		if (needsSomebody && !somebodyThere)
			throw new Refusal("invalid", [
				{
					path: ["somebodyThere"],
					sentence: "A kiln is not started, resumed or extended from afar: somebody has to be there.",
				},
			]);
		const opened = openLine(line, studio.timeZone);
		try {
			if (!opened.command) throw new Refusal("conflict", `${name} can only be read.`);
			await opened.command(command).catch((error: unknown) => {
				throw new Refusal(
					"conflict",
					`${name} did not take it: ${error instanceof Error ? error.message : "no answer"}.`,
				);
			});
		} finally {
			opened.close();
		}
		await tx
			.insert(firingNote)
			.values({ id: crypto.randomUUID(), firingId, at: now, text: `${command} through the line`, actorId: actor.id });
		return { command };
	},
};

/** Somebody has seen an alarm. It goes on for as long as its cause does. */
export const seeAlarm: UseCase<"seeAlarm"> = {
	role: "assistant",
	async run({ tx, now, actor }, { alarmId }) {
		const [row] = await tx.select().from(kilnAlarm).where(eq(kilnAlarm.id, alarmId)).for("update");
		if (!row) throw new Refusal("missing", "This alarm is not in the book.");
		if (!row.seenAt)
			await tx.update(kilnAlarm).set({ seenAt: now, seenById: actor.id }).where(eq(kilnAlarm.id, alarmId));
		return { alarmId };
	},
};

/** Lets the stand-in fail, to see what the studio makes of it. */
export const tellStandIn: UseCase<"tellStandIn"> = {
	role: "instructor",
	async run({ tx }, { kilnId, fault, forMin }) {
		const port = await standInOf(tx, kilnId);
		await answering(() => letFail(port, fault, forMin));
		return { fault };
	},
};

/** A button of the stand-in's own panel: what a person at a real kiln presses there. */
export const pressStandIn: UseCase<"pressStandIn"> = {
	role: "assistant",
	async run({ tx }, { kilnId, button }) {
		const port = await standInOf(tx, kilnId);
		await answering(() => pressButton(port, button));
		return { button };
	},
};

/** Which of the stand-in's kilns this is. */
async function standInOf(tx: Transaction, kilnId: string): Promise<number> {
	const [row] = await tx.select({ line: kiln.line }).from(kiln).where(eq(kiln.id, kilnId));
	const line = row?.line ?? null;
	if (!isStandIn(line)) throw new Refusal("conflict", "Only a stand-in kiln has its panel here.");
	return line.port;
}

const answering = (press: () => Promise<unknown>) =>
	press().catch(() => {
		throw new Refusal(
			"conflict",
			"The stand-in kiln does not answer now. Its power may be away; try again in a moment.",
		);
	});
