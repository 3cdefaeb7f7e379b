import type { Transaction } from "@db/connect";
import { kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { isStandIn } from "../../devices/stand-in-panel";
import { Refusal } from "../../house/refusal";

/** Which of the stand-in's kilns this is. */
export async function standInOf(tx: Transaction, kilnId: string): Promise<number> {
	const [row] = await tx.select({ line: kiln.line }).from(kiln).where(eq(kiln.id, kilnId));
	const line = row?.line ?? null;
	if (!isStandIn(line)) throw new Refusal("conflict", "Only a stand-in kiln has its panel here.");
	return line.port;
}

export const answering = (press: () => Promise<unknown>) =>
	press().catch(() => {
		throw new Refusal(
			"conflict",
			"The stand-in kiln does not answer now. Its power may be away; try again in a moment.",
		);
	});
