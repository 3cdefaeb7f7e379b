import { readKit } from "@core/stack/read-kit";
import { afterAll, describe, expect, it } from "vitest";
import { book, cut, kit, square } from "../../tests/support/kit";
import { refusal } from "../../tests/support/refusal";
import { star } from "../../tests/support/star";
import { closePool, inPool } from "./in-pool";

afterAll(closePool);

const plain = kit([cut(square(100), 0, 0, 0), cut(square(40), 1, 0, 0)]);
/** Takes minutes. */
const endless = kit(Array.from({ length: 40 }, (_, i) => cut(star(100, 100, i / 80), i, 0, 0)));

describe("what takes long", () => {
	it("comes out of another thread as it would here", async () => {
		expect(await inPool("readKit", { design: plain, book: book() })).toEqual(readKit(plain, book()));
	});

	it("is ended at its limit with a sentence; meanwhile everything else goes on, and afterwards the pool does its work", async () => {
		let ended = false;
		let turns = 0;
		const turning = setInterval(() => {
			if (!ended) turns++;
		}, 1);
		const refused = await refusal(inPool("readKit", { design: endless, book: book() }, 200));
		ended = true;
		clearInterval(turning);
		expect(refused).toMatchObject({ kind: "tooHeavy", status: 422 });
		expect(refused.message).toContain("too intricate");
		expect(turns).toBeGreaterThan(0);
		expect((await inPool("readKit", { design: plain, book: book() })).familyId).toBe("90");
	});

	it("what fails there fails here, and harms nothing", async () => {
		await expect(inPool("readKit", { design: { name: "broken" } as never, book: book() })).rejects.toThrow();
		expect((await inPool("readKit", { design: plain, book: book() })).familyId).toBe("90");
	});
});
