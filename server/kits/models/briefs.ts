import type { KitBrief } from "@contract/kits";
import type { Reader } from "@db/connect";
import { kitsWithIssued } from "@db/queries/kits";

export async function kitBriefs(reader: Reader, id?: string): Promise<KitBrief[]> {
	const rows = await kitsWithIssued(reader, id);
	return rows.map(({ kit, issued }) => ({
		id: kit.id,
		revision: kit.revision,
		document: kit.document,
		reading: kit.reading,
		issued,
	}));
}
