import { readKit } from "@core/stack/read-kit";
import type { Transaction } from "@db/connect";
import { loadGlassBook } from "@db/queries/glass";
import { kitDesign, kitVersion } from "@db/schema";
import { and, desc, eq } from "drizzle-orm";
import { Refusal } from "./refusal";

/** The frozen version of a kit's present draft: the one that exists for this revision, or a new one. Stops unsafe kits. */
export async function freezeKit(tx: Transaction, kitId: string, now: Date) {
	const [draft] = await tx.select().from(kitDesign).where(eq(kitDesign.id, kitId)).for("update");
	if (!draft) throw new Refusal("missing", "This kit is not in the book.");
	const reading = readKit(draft.document, await loadGlassBook(tx));
	if (!reading.familyId || reading.findings.some(({ severity }) => severity === "stop")) {
		throw new Refusal(
			"invalid",
			`“${draft.document.name}” must not be fired as it is: mixed or untested families. Mend it at Kits first.`,
		);
	}
	const [same] = await tx
		.select()
		.from(kitVersion)
		.where(and(eq(kitVersion.kitId, kitId), eq(kitVersion.revision, draft.revision)));
	if (same) return same;
	const [latest] = await tx
		.select()
		.from(kitVersion)
		.where(eq(kitVersion.kitId, kitId))
		.orderBy(desc(kitVersion.version))
		.limit(1);
	const [made] = await tx
		.insert(kitVersion)
		.values({
			kitId,
			version: (latest?.version ?? 0) + 1,
			revision: draft.revision,
			document: draft.document,
			reading,
			frozenAt: now,
		})
		.returning();
	return made as NonNullable<typeof made>;
}
