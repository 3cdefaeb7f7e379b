import type { Transaction } from "@db/connect";
import type { KilnRow } from "@db/queries/kilns";
import { firing, kiln, kilnLesson } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";

export async function keepLesson(
	tx: Transaction,
	row: KilnRow,
	lesson: Omit<typeof kilnLesson.$inferInsert, "kilnId" | "before">,
): Promise<{ lessonId: string }> {
	const [running] = await tx
		.select({ number: firing.number })
		.from(firing)
		.where(and(eq(firing.kilnId, row.id), eq(firing.state, "running")));
	if (running)
		throw new Refusal("conflict", `Firing ${running.number} is running on the old figures. Wait until it is opened.`);
	await tx.insert(kilnLesson).values({ ...lesson, kilnId: row.id, before: row.body });
	await tx
		.update(kiln)
		.set({ body: lesson.after, revision: row.revision + 1 })
		.where(eq(kiln.id, row.id));
	return { lessonId: lesson.id };
}
