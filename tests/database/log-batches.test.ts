import { randomUUID } from "node:crypto";
import { kiln, kilnImport, kilnReading } from "@db/schema";
import { and, count, eq, gte } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

/** A log of many thousand lines is written in batches: what can be seen of it meanwhile, and how it is stopped. */
const LINES = 11_000;
const FROM_MS = Date.UTC(2019, 2, 4);
const text = [
	"time,temperature °C",
	...Array.from({ length: LINES }, (_, i) => `${new Date(FROM_MS + i * 10_000).toISOString()},${20 + (i % 700)}`),
].join("\n");
const mapping = {
	time: { column: 0, as: "instant" as const, startsAt: null },
	air: 1,
	set: null,
	duty: null,
	kwh: null,
	unit: "C" as const,
	dutyIn: "share" as const,
	decimal: "." as const,
};

let studio: DemoStudio;
let kilnId = "";
beforeAll(async () => {
	studio = await demoStudio();
	const [silo] = await studio.db.select().from(kiln).where(eq(kiln.name, "Silo kiln"));
	kilnId = silo?.id ?? "";
});
afterAll(() => studio.close());

const batch = async (importId: string) =>
	(await studio.db.select().from(kilnImport).where(eq(kilnImport.id, importId)))[0];
const kept = async (importId: string) =>
	(await studio.db.select({ n: count() }).from(kilnReading).where(eq(kilnReading.importId, importId)))[0]?.n;
const bringIn = (importId: string) => studio.act("importKilnLog", { importId, kilnId, text, mapping });

describe("a long log", () => {
	it("answers after its first batch; the rest comes, each batch seen on the kiln’s page; sent again it is one import", async () => {
		const importId = randomUUID();
		const first = await bringIn(importId);
		expect(first.added).toBe(5000);
		expect(first).toMatchObject({ known: 0, toCome: LINES - 5000, skipped: 0 });
		const shown = async () => (await studio.see("kiln", { id: kilnId })).imports.find(({ id }) => id === importId);
		expect((await shown())?.lines).toBe(LINES);
		await vi.waitFor(async () => expect((await shown())?.state).toBe("kept"), { timeout: 60_000, interval: 50 });
		expect(await shown()).toMatchObject({ written: LINES, added: LINES });
		expect(await bringIn(importId)).toMatchObject({ added: LINES, toCome: 0 });
		expect(await kept(importId)).toBe(LINES);
		await studio.act("takeBackImport", { importId });
		expect(await kept(importId)).toBe(0);
	});

	it("sent again where nobody writes it any more, goes on where it was", async () => {
		const importId = randomUUID();
		await bringIn(importId);
		await vi.waitFor(async () => expect((await batch(importId))?.written).toBe(LINES), {
			timeout: 60_000,
			interval: 50,
		});
		// As if whoever wrote it had ended after the second batch.
		const second = new Date(FROM_MS + 10_000 * 10_000);
		await studio.db.delete(kilnReading).where(and(eq(kilnReading.importId, importId), gte(kilnReading.at, second)));
		await studio.db.update(kilnImport).set({ written: 10_000, added: 10_000 }).where(eq(kilnImport.id, importId));
		expect((await bringIn(importId)).toCome).toBe(LINES - 10_000);
		await vi.waitFor(async () => expect((await batch(importId))?.written).toBe(LINES), {
			timeout: 60_000,
			interval: 50,
		});
		expect(await batch(importId)).toMatchObject({ added: LINES });
		expect(await kept(importId)).toBe(LINES);
		await studio.act("takeBackImport", { importId });
	});

	it("ends where it is when it is taken back on its way: nothing of it stays and nothing follows", async () => {
		const importId = randomUUID();
		await bringIn(importId);
		const { removed } = await studio.act("takeBackImport", { importId });
		const written = (await batch(importId))?.written ?? 0;
		expect(removed).toBe(written);
		expect(written).toBeLessThan(LINES);
		// Another long log comes in whole: the writer of the first has had every occasion to go on.
		const next = randomUUID();
		await bringIn(next);
		await vi.waitFor(async () => expect((await batch(next))?.written).toBe(LINES), { timeout: 60_000, interval: 50 });
		expect(await kept(importId)).toBe(0);
		expect((await batch(importId))?.written).toBe(written);
		await studio.act("takeBackImport", { importId: next });
	});
});
