import { kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { newestLog } from "../devices/log-files";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { lockedKiln } from "./models/kiln";
import { recorderSays } from "./models/recorder";

/** A temperature that was shown may be cut off on its way through a browser, K. */
const SAME_K = 0.05;

/**
 * A person has seen lines of a kiln's recorder and what they mean, and says that it is so. From then on it is read like that and no
 * other way. The server reads the lines itself: what was shown must be in them.
 */
export const confirmRecorder: UseCase<"confirmRecorder"> = async (context, { kilnId, form, says }) => {
	const { tx, now, actor, studio } = context;
	const { line, name } = await lockedKiln(tx, kilnId);
	if (line?.driver !== "folder") throw new Refusal("conflict", `${name} has no recorder that writes files.`);
	const log = await newestLog(line.folder);
	const readings = log ? recorderSays(log, form, studio.timeZone) : [];
	const shown = readings.find(({ atMs }) => atMs === Date.parse(says.at));
	if (shown?.airC == null || Math.abs(shown.airC - says.c) > SAME_K)
		throw new Refusal("conflict", `The recorder of ${name} does not say that. Look at its lines again.`);
	const recorder = { folder: line.folder, form, at: now.toISOString(), byId: actor.id };
	await tx.update(kiln).set({ recorder }).where(eq(kiln.id, kilnId));
	await noteAudit(tx, "recorderConfirmed", `${name}: column ${form.mapping.air + 1}, °${form.mapping.unit}`, context);
	return { kilnId };
};
