import { randomUUID } from "node:crypto";
import { firing, firingNote } from "@db/schema";
import { inTransaction } from "@server/house/in-transaction";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let firingId: string;
beforeAll(async () => {
	studio = await demoStudio();
	firingId = (await studio.db.select().from(firing).limit(1))[0]?.id ?? "";
});
afterAll(() => studio.close());

const note = (id: string) => ({ id, firingId, at: new Date(), text: "same", elapsedS: null });

describe("what somebody writes between looking and writing", () => {
	// A browser sends again what a killed server had not answered, while that server's transaction is still being committed.
	it("is looked at once more: the second of two gets the first one's answer", async () => {
		const id = randomUUID();
		let looked = 0;
		/** Both have looked before either writes. */
		let bothLooked = () => {};
		const both = new Promise<void>((done) => {
			bothLooked = done;
		});
		const write = () =>
			inTransaction(studio.db, async (tx) => {
				const [there] = await tx.select().from(firingNote).where(eq(firingNote.id, id));
				if (there) return "there";
				looked++;
				if (looked === 2) bothLooked();
				await both;
				await tx.insert(firingNote).values(note(id));
				return "written";
			});
		expect((await Promise.all([write(), write()])).sort()).toEqual(["there", "written"]);
	});

	it("is told where it is another's for good", async () => {
		const id = randomUUID();
		await studio.db.insert(firingNote).values(note(id));
		let tries = 0;
		const again = inTransaction(studio.db, async (tx) => {
			tries++;
			await tx.insert(firingNote).values(note(id));
		});
		expect((await refusal(again)).problems[0]?.sentence).toMatch(/in the book already/);
		expect(tries).toBe(2);
	});
});
