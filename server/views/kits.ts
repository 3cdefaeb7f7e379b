import type { KitBrief } from "@contract/views";
import { readKit } from "@core/stack/read-kit";
import type { Reader } from "@db/connect";
import { loadGlass, loadGlassBook } from "@db/queries/glass";
import { kitDesign, kitVersion, piece } from "@db/schema";
import { eq, sql } from "drizzle-orm";
import { Refusal } from "../refusal";
import type { View } from "./context";

export async function kitBriefs(reader: Reader): Promise<KitBrief[]> {
	const rows = await reader.select().from(kitDesign).orderBy(sql`${kitDesign.document}->>'name'`);
	const issued = await reader
		.select({ kitId: kitVersion.kitId, pieces: sql<number>`count(*)::int` })
		.from(piece)
		.innerJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.groupBy(kitVersion.kitId);
	return rows.map(({ id, revision, document, reading }) => ({
		id,
		revision,
		document,
		reading,
		issued: issued.find(({ kitId }) => kitId === id)?.pieces ?? 0,
	}));
}

export const kits: View<"kits"> = async ({ db }) => ({ ...(await loadGlass(db)), kits: await kitBriefs(db) });

export const kit: View<"kit"> = async ({ db }, params) => {
	const id = params.get("id") ?? "";
	const known = (await kitBriefs(db)).find((one) => one.id === id);
	const books = await loadGlass(db);
	if (known) return { ...books, kit: known, isNew: false };
	if (!/^[0-9a-f-]{36}$/.test(id)) throw new Refusal("missing", "This kit is not in the book.");
	const document = { name: "", note: "", parts: [], route: [{ level: "full" as const, handWork: "" }] };
	return {
		...books,
		isNew: true,
		kit: { id, revision: 0, document, reading: readKit(document, await loadGlassBook(db)), issued: 0 },
	};
};
