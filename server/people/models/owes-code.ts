import { loadStudio } from "@db/queries/studio";
import { secondFactor } from "@db/schema";
import { and, eq, isNotNull } from "drizzle-orm";
import type { Actor } from "../../house/context";
import { database } from "../../house/database";

/** Does the studio ask for a code of whoever has this role, and have they none yet? Then nothing else is open to them. */
export async function owesCode({ id, role }: Actor): Promise<boolean> {
	const { db } = database();
	const { codesFor } = (await loadStudio(db)).customs;
	if (codesFor === "nobody" || (codesFor === "instructors" && role !== "instructor")) return false;
	const own = and(eq(secondFactor.userId, id), isNotNull(secondFactor.confirmedAt));
	return (await db.select({ id: secondFactor.userId }).from(secondFactor).where(own)).length === 0;
}
