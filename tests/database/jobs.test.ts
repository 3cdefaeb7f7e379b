import { allParts, glassIdOf, type KitDesign } from "@core/kit/kit";
import { CORE_VERSION } from "@core/version";
import { glass, kitDesign, kitVersion } from "@db/schema";
import { startQueue } from "@server/jobs/queue";
import { readKitsAgain } from "@server/jobs/read-kits-again";
import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

/** As if another version of the core had read every kit, and had weighed them otherwise. */
const asReadByAnother = async () => {
	for (const table of [kitDesign, kitVersion])
		await studio.db
			.update(table as typeof kitDesign)
			.set({ reading: sql`reading || '{"coreVersion": "0", "massG": 1}'::jsonb`, readWith: "another core" });
};
const readings = async () =>
	Object.fromEntries(
		(await studio.db.select({ id: kitDesign.id, reading: kitDesign.reading }).from(kitDesign)).map((row) => [
			row.id,
			row.reading,
		]),
	);

describe("kits whose figures another version of the core made", () => {
	it("are read again, drafts and what was issued; what is current is left alone; a draft's revision stays", async () => {
		const before = await readings();
		const drafts = await studio.db.select().from(kitDesign);
		const versions = await studio.db.select().from(kitVersion);
		await asReadByAnother();
		expect(await readKitsAgain(studio.db)).toBe(drafts.length + versions.length);
		expect(await readings()).toEqual(before);
		const frozen = await studio.db.select().from(kitVersion);
		expect(frozen.every(({ reading }) => reading.coreVersion === CORE_VERSION && reading.massG > 1)).toBe(true);
		for (const { id, revision } of await studio.db.select().from(kitDesign))
			expect(revision).toBe(drafts.find((one) => one.id === id)?.revision);
		expect(await readKitsAgain(studio.db)).toBe(0);
	});

	it("are read again where a glass they are of was changed, and no others", async () => {
		expect(await readKitsAgain(studio.db)).toBe(0);
		const kits = await studio.db.select().from(kitDesign);
		const versions = await studio.db.select().from(kitVersion);
		const [glassId] = kits.flatMap(({ document }) => allParts(document).flatMap((part) => glassIdOf(part) ?? []));
		const names = ({ document }: { document: KitDesign }) =>
			allParts(document).some((part) => glassIdOf(part) === glassId);
		const touched = [...kits, ...versions].filter(names).length;
		expect(touched).toBeLessThan(kits.length + versions.length);
		await studio.db
			.update(glass)
			.set({ thicknessMm: sql`thickness_mm + 0.1` })
			.where(eq(glass.id, glassId ?? ""));
		expect(await readKitsAgain(studio.db)).toBe(touched);
		await studio.db
			.update(glass)
			.set({ thicknessMm: sql`thickness_mm - 0.1` })
			.where(eq(glass.id, glassId ?? ""));
		expect(await readKitsAgain(studio.db)).toBe(touched);
	});

	it("one that cannot be read keeps its old figures and holds up no other", async () => {
		await asReadByAnother();
		const [broken] = await studio.db.select().from(kitDesign).orderBy(kitDesign.id).limit(1);
		const id = broken?.id ?? "";
		await studio.db
			.update(kitDesign)
			.set({ document: { name: "broken" } as never })
			.where(eq(kitDesign.id, id));
		const all = await studio.db.select().from(kitDesign);
		const versions = await studio.db.select().from(kitVersion);
		expect(await readKitsAgain(studio.db)).toBe(all.length + versions.length - 1);
		const [still] = await studio.db.select().from(kitDesign).where(eq(kitDesign.id, id));
		expect(still?.reading.coreVersion).toBe("0");
		await studio.db
			.update(kitDesign)
			.set({ document: broken?.document as NonNullable<typeof broken>["document"] })
			.where(eq(kitDesign.id, id));
		expect(await readKitsAgain(studio.db)).toBe(1);
	});

	it("one that somebody saves just now is left to the next time, and nobody waits", async () => {
		await asReadByAnother();
		const [held] = await studio.db.select().from(kitDesign).limit(1);
		await studio.db.transaction(async (tx) => {
			await tx
				.select()
				.from(kitDesign)
				.where(eq(kitDesign.id, held?.id ?? ""))
				.for("no key update");
			await readKitsAgain(studio.db);
			const [still] = await studio.db
				.select()
				.from(kitDesign)
				.where(eq(kitDesign.id, held?.id ?? ""));
			expect(still?.reading.coreVersion).toBe("0");
		});
		expect(await readKitsAgain(studio.db)).toBe(1);
	});
});

it("the queue does each job once when it starts", async () => {
	await asReadByAnother();
	const queue = await startQueue(studio.db, studio.url);
	try {
		await expect
			.poll(async () => Object.values(await readings()).every(({ coreVersion }) => coreVersion === CORE_VERSION), {
				timeout: 30_000,
			})
			.toBe(true);
	} finally {
		await queue.stop();
	}
});
