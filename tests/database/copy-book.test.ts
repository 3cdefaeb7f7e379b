import { appendFileSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect } from "@db/connect";
import { type CopyNote, copyBook, hashOf, keepNewest, noteOf, proven } from "@server/jobs/copy-book";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

/** A copy of the book counts once it was read back and is the same. */
const top = "/usr/lib/postgresql";
const programs = join(top, readdirSync(top).sort((a, b) => Number(b) - Number(a))[0] ?? "", "bin");
const folder = mkdtempSync(join(tmpdir(), "zephyr-copies-"));

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(async () => {
	await studio.close();
	rmSync(folder, { recursive: true });
});

const place = () => ({ url: studio.url, programs, folder });

describe("a copy of the book", () => {
	it("is read back, compared, and stands beside a note of what is in it; the scratch database is gone", async () => {
		const copy = await copyBook(place(), "by-hand", new Date("2031-05-20T03:23:00Z"));
		expect(copy).toBe(join(folder, "2031-05-20T03-23-00-by-hand.dump"));
		const note: CopyNote = JSON.parse(readFileSync(noteOf(copy), "utf8"));
		expect(note.sha256).toBe(await hashOf(copy));
		expect(note.contents["public.piece"]?.rows).toBeGreaterThan(20);
		expect(note.contents["public.kiln_reading"]?.rows).toBeGreaterThan(100);
		const { sql, close } = connect(studio.url, 1);
		expect(await sql`select datname from pg_database where datname like 'zephyr_proof%'`).toEqual([]);
		await close();
	});

	it("that is not the same is told by its table; one that is damaged cannot be read", async () => {
		const copy = await copyBook(place(), "other");
		const { contents }: CopyNote = JSON.parse(readFileSync(noteOf(copy), "utf8"));
		const piece = contents["public.piece"];
		const changed = { ...contents, "public.piece": { rows: piece?.rows ?? 0, sum: "1" } };
		await expect(proven(place(), copy, changed)).rejects.toThrow("public.piece has other values");
		const before = await hashOf(copy);
		appendFileSync(copy, "x");
		expect(await hashOf(copy)).not.toBe(before);
	});

	it("the newest fourteen of a kind are kept, each with its note", () => {
		const nights = () => readdirSync(folder).filter((name) => name.endsWith("night.dump"));
		for (let day = 10; day <= 25; day++) {
			const copy = join(folder, `2031-01-${day}T03-23-00-night.dump`);
			for (const file of [copy, noteOf(copy)]) writeFileSync(file, "");
		}
		const others = readdirSync(folder).length - 32;
		keepNewest(folder, "night");
		expect(nights()).toHaveLength(14);
		expect(nights().sort()[0]).toContain("2031-01-12");
		expect(nights().every((name) => existsSync(noteOf(join(folder, name))))).toBe(true);
		expect(readdirSync(folder)).toHaveLength(28 + others);
	});
});
