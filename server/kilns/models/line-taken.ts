import type { KilnForm } from "@contract/documents/kiln";
import { STAND_IN } from "@core/kiln/register-map";
import type { Transaction } from "@db/connect";
import { loadAllKilns } from "@db/queries/kilns";
import { oneAtATime } from "@db/queries/one-at-a-time";
import { Refusal } from "../../house/refusal";

/** One line, one kiln: two that read the same controller or folder would both say what one of them is. */
export async function refuseLineTaken(tx: Transaction, { id, line }: Pick<KilnForm, "id" | "line">): Promise<void> {
	if (!line) return;
	await oneAtATime(tx, "lines");
	const others = (await loadAllKilns(tx)).filter((one) => one.id !== id && !one.retired && one.line);
	const taken = others.find((one) => one.line && lineKey(one.line) === lineKey(line));
	if (taken)
		throw new Refusal("invalid", [
			{ path: ["kiln", "line"], sentence: `“${taken.name}” has this line already: one line, one kiln.` },
		]);
}

/** What tells one line from another: a folder, or a unit at an address. */
const lineKey = (line: NonNullable<KilnForm["line"]>): string =>
	line.driver === "folder"
		? `folder ${line.folder.toLowerCase()}`
		: `${line.host.toLowerCase()} ${line.port} ${line.host === STAND_IN ? "" : line.unit}`;
