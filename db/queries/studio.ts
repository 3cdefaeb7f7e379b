import type { Reader } from "../connect";
import { studio } from "../schema";

export type Studio = typeof studio.$inferSelect;

export async function loadStudio(reader: Reader): Promise<Studio> {
	const [row] = await reader.select().from(studio).limit(1);
	if (!row) throw new Error("This database holds no studio yet. Run ./start to load the demo.");
	return row;
}
