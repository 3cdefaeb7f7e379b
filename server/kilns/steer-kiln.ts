import { type KilnCommand, NEEDS_SOMEBODY } from "@core/kiln/register-map";
import { type SteerOutcome, steerText } from "@core/kiln/steer";
import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { firingOf, keepNote, loadNote, lockFiring } from "@db/queries/firings";
import { lockKiln } from "@db/queries/kilns";
import { openLine } from "../devices/kiln-line";
import { LineError } from "../devices/line-error";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

/**
 * Holds, skips or stops a kiln through its line: only where that was switched on for this kiln, asked each time, and while
 * this firing runs in it. That it is asked is kept first; it is sent once that is kept, and what came of it is noted. Asked
 * again it is not sent again: the answer is what came of it.
 */
export const steerKiln: UseCase<"steerKiln"> = async (context, { noteId, firingId, command, somebodyThere }) => {
	const { tx, now, actor, studio } = context;
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	const { id, line, permissions, name } = inTheBook(await lockKiln(tx, row.kilnId), "kiln");
	const again = await loadNote(tx, noteId);
	if (again) return answerAgain(again, command, name);
	const running = await firingOf(tx, id, "running");
	const fits = command === "start" ? row.state === "planned" && !running : running?.id === row.id;
	if (!fits)
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state} and not the one that runs in ${name}.`);
	const needsSomebody = NEEDS_SOMEBODY.includes(command);
	if (!line) throw new Refusal("conflict", `${name} has no line.`);
	if (!(needsSomebody ? permissions.start : permissions.steer))
		throw new Refusal("forbidden", `${name} may only be read from here. Switch it on in the kiln’s page, or go there.`);
	if (needsSomebody && !somebodyThere)
		throw new Refusal("invalid", [
			{
				path: ["somebodyThere"],
				sentence: "A kiln is not started, resumed or extended from afar: somebody has to be there.",
			},
		]);
	const noted = (outcome: SteerOutcome, why?: string) => ({
		id: noteId,
		firingId,
		at: now,
		actorId: actor.id,
		command,
		outcome,
		text: steerText(command, outcome, why),
	});
	await keepNote(tx, noted("asked"));
	await noteAudit(tx, "steered", `${command} of ${name}, firing ${row.number}`, context);
	context.afterwards.push(async (db: Database) => {
		const opened = openLine({ line, recorder: null }, studio.timeZone);
		try {
			if (!opened.command) throw new LineError("refuses");
			await opened.command(command);
			await keepNote(db, noted("taken"));
		} catch (error) {
			const why = (error instanceof LineError ? error : new LineError("silent")).message;
			await keepNote(db, noted("refused", why));
			throw new Refusal("conflict", `${name} did not take it: ${why}.`);
		} finally {
			opened.close();
			await tellChange(db, { topics: ["firings"] });
		}
	});
	return { command };
};

/** Of a command that was asked before: what came of it. */
function answerAgain(
	note: { command: KilnCommand | null; outcome: SteerOutcome | null; text: string },
	command: KilnCommand,
	kiln: string,
): { command: string } {
	if (note.command === command && note.outcome === "taken") return { command };
	const more = note.outcome === "refused" ? "" : ` Look at ${kiln} before it is asked again.`;
	throw new Refusal("conflict", `This was asked already: ${note.text}.${more}`);
}
