import type { Transaction } from "@db/connect";
import { loadGlassBook } from "@db/queries/glass";
import { lockKit } from "@db/queries/kits";
import { freeze } from "@db/queries/revised";
import { kitVersion } from "@db/schema";
import { inTheBook, Refusal } from "../../house/refusal";
import { currentReading } from "./kit-reading";

/** The frozen version of a kit's present draft: the one that exists for this revision, or a new one. Stops unsafe kits. */
export async function freezeKit(tx: Transaction, kitId: string, now: Date) {
	const draft = inTheBook(await lockKit(tx, kitId), "kit");
	if (draft.retired)
		throw new Refusal("conflict", `“${draft.document.name}” is put away. Bring it back at Kits first.`);
	const { reading, hoursAt, readWith } = await currentReading(draft, await loadGlassBook(tx));
	if (!reading.familyId || reading.findings.some(({ severity }) => severity === "stop")) {
		throw new Refusal(
			"invalid",
			`“${draft.document.name}” must not be fired as it is: mixed or untested families. Mend it at Kits first.`,
		);
	}
	return freeze(tx, kitVersion, draft, { document: draft.document, reading, hoursAt, readWith, frozenAt: now });
}
