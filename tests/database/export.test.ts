import { EXPORTED_TABLES, NOT_EXPORTED } from "@db/queries/export";
import * as schema from "@db/schema";
import { account, course, photo, piece, studio as studioTable, user } from "@db/schema";
import { exportEverything } from "@server/studio/export-everything";
import { getTableName, is } from "drizzle-orm";
import { PgTable } from "drizzle-orm/pg-core";
import { unzipSync } from "fflate";
import Papa from "papaparse";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
	await studio.act("makeCalendarLink", { on: true });
	const [one] = await studio.db.select().from(piece).limit(1);
	const row = { id: crypto.randomUUID(), pieceId: one?.id ?? "", widthPx: 2, heightPx: 2, takenAt: new Date() };
	await studio.db.insert(photo).values({ ...row, image: Buffer.from("a picture"), thumbnail: Buffer.from("small") });
	const named = {
		id: crypto.randomUUID(),
		name: '=HYPERLINK("x")',
		email: null,
		phone: "",
		note: 'with "marks", and\nlines',
		adult: "",
	};
	await studio.act("saveStudent", { student: named, revision: 0 });
});
afterAll(() => studio.close());

const read = async (file: "everything.json" | "everything.zip") =>
	new Uint8Array(
		await new Response(await exportEverything(studio, file, studio.who("instructor", new Date()))).arrayBuffer(),
	);
const text = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);

describe("everything, to take away", () => {
	it("is every table of the schema but doors, tries and the house's own", () => {
		const all = Object.values(schema).filter((one) => is(one, PgTable)) as PgTable[];
		const said = [...EXPORTED_TABLES, ...NOT_EXPORTED].map(getTableName);
		expect(said.sort()).toEqual(all.map(getTableName).sort());
	});

	it("as JSON holds every row once, and none of the secrets", async () => {
		const json = text(await read("everything.json"));
		const { format, tables } = JSON.parse(json) as { format: string; tables: Record<string, { id?: string }[]> };
		expect(format).toBe("zephyr-flats-everything");
		for (const table of EXPORTED_TABLES) {
			const rows = await studio.db.select().from(table);
			const name = getTableName(table);
			expect(tables[name]?.length, name).toBe(rows.length);
		}
		const [accounts, [own], [open], [person]] = await Promise.all([
			studio.db.select().from(account),
			studio.db.select().from(studioTable),
			studio.db.select().from(course),
			studio.db.select().from(user),
		]);
		for (const secret of [...accounts.map((one) => one.password), own?.calendarKey, open?.signUpKey, person?.demoHash])
			if (secret) expect(json).not.toContain(secret);
		expect(accounts.length).toBeGreaterThan(0);
	});

	it("as CSV is a file a table by RFC 4180, read back by two other libraries, and the photos as they are", async () => {
		const files = unzipSync(await read("everything.zip"));
		const students = Papa.parse<Record<string, string>>(text(files["student.csv"]), { header: true });
		expect(students.errors.filter(({ code }) => code !== "TooFewFields")).toEqual([]);
		const odd = students.data.find(({ note }) => note?.startsWith("with"));
		expect(odd?.note).toBe('with "marks", and\nlines');
		// A spreadsheet must not run what a stranger called themselves (OWASP: CSV injection).
		expect(odd?.name).toBe('\'=HYPERLINK("x")');
		const events = Papa.parse<Record<string, string>>(text(files["piece_event.csv"]), { header: true }).data;
		expect(JSON.parse(events[0]?.data ?? "")).toHaveProperty("type");
		expect(events[0]?.happened_at).toMatch(/^\d{4}-\d\d-\d\dT.*Z$/);
		const [picture] = Object.entries(files).filter(([name]) => name.startsWith("photos/"));
		expect(text(picture?.[1])).toBe("a picture");
	});

	it("is for instructors, and for one at a time", async () => {
		const asked = exportEverything(studio, "everything.json", studio.who("assistant", new Date()));
		expect((await refusal(asked)).kind).toBe("forbidden");
		const first = await exportEverything(studio, "everything.json", studio.who("instructor", new Date()));
		const second = exportEverything(studio, "everything.json", studio.who("instructor", new Date()));
		expect((await refusal(second)).kind).toBe("tooOften");
		await first.cancel();
		// Whoever goes away in the middle leaves the way free.
		await expect
			.poll(() =>
				read("everything.json").then(
					({ length }) => length,
					() => 0,
				),
			)
			.toBeGreaterThan(1000);
	});

	it("read to its end may be asked for again in the same breath", async () => {
		for (const file of ["everything.json", "everything.zip", "everything.json"] as const)
			expect((await read(file)).length).toBeGreaterThan(1000);
	});

	it("that nobody takes is cut off, and the next one has its turn", async () => {
		const own = studio.who("instructor", new Date());
		// The one before may still be putting its things away.
		const stalled = await vi.waitFor(() => exportEverything(studio, "everything.json", own, 50), { timeout: 60_000 });
		expect((await refusal(exportEverything(studio, "everything.json", own))).kind).toBe("tooOften");
		await vi.waitFor(() => read("everything.json"), { timeout: 60_000, interval: 200 });
		await expect(new Response(stalled).arrayBuffer()).rejects.toThrow();
	});
});
