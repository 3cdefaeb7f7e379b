import { TOPICS, type Topic } from "@contract/topics";
import { type ViewName, views } from "@contract/views";
import { type Connection, connect } from "@db/connect";
import * as alarms from "@db/schema/alarms";
import * as classes from "@db/schema/classes";
import * as firings from "@db/schema/firings";
import * as glass from "@db/schema/glass";
import * as kilns from "@db/schema/kilns";
import * as kits from "@db/schema/kits";
import * as loads from "@db/schema/loads";
import * as microwave from "@db/schema/microwave";
import * as people from "@db/schema/people";
import * as pieces from "@db/schema/pieces";
import * as readings from "@db/schema/readings";
import * as schedules from "@db/schema/schedules";
import * as stock from "@db/schema/stock";
import { see } from "@server/house/see";
import { getTableName, is } from "drizzle-orm";
import { PgTable } from "drizzle-orm/pg-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

const WORDS = {
	alarms,
	classes,
	firings,
	glass,
	kilns,
	kits,
	loads,
	microwave,
	people,
	pieces,
	readings,
	schedules,
	stock,
} satisfies Partial<Record<Topic, object>>;

/** Which word a table belongs to. */
const wordOf = new Map<string, string>(
	Object.entries(WORDS).flatMap(([word, schema]) =>
		Object.values(schema).flatMap((one: unknown) => (is(one, PgTable) ? [[getTableName(one), word] as const] : [])),
	),
);

let studio: DemoStudio;
let heard: Connection;
const asked: string[] = [];
beforeAll(async () => {
	studio = await demoStudio();
	heard = connect(studio.url, 1, { debug: (_, query) => asked.push(query) });
});
afterAll(async () => {
	await heard.close();
	await studio.close();
});

async function paramsOf(view: ViewName): Promise<Record<string, string>> {
	const { firings: all } = await studio.see("fire");
	const { kits: some } = await studio.see("kits");
	const { trays, kilns: free } = await studio.see("load");
	const { sessions } = await studio.see("calendar");
	const { students } = await studio.see("students");
	const waiting = trays[0]?.pieces ?? [];
	const byView: Partial<Record<ViewName, Record<string, string>>> = {
		kit: { id: some[0]?.id ?? "" },
		kitVersion: { id: some.find(({ issued }) => issued > 0)?.id ?? "", version: "1" },
		proposal: { kiln: free[0]?.id ?? "", pieces: waiting.map(({ id }) => id).join(",") },
		loadSheet: { firing: all.find(({ state }) => state === "planned")?.id ?? all[0]?.id ?? "" },
		readings: { firing: all.find(({ state }) => state === "running")?.id ?? "" },
		schedule: { firing: all.find(({ state }) => state === "planned")?.id ?? all[0]?.id ?? "" },
		kiln: { id: free[0]?.id ?? "" },
		kilnNow: { id: free[0]?.id ?? "" },
		recorder: { id: free[0]?.id ?? "" },
		kilnRecord: { id: free[0]?.id ?? "" },
		kilnLesson: { id: free[0]?.id ?? "" },
		course: { id: sessions[0]?.courseId ?? "" },
		student: { id: students.find(({ pieces }) => pieces > 0)?.id ?? "" },
		piece: { code: waiting[0]?.code ?? "" },
		find: { q: "Var" },
		labels: { codes: waiting[0]?.code ?? "" },
		bagLabels: { session: sessions[0]?.id ?? "" },
	};
	return byView[view] ?? {};
}

/** Named for a count that is kept in a table of another word, or in none. */
const COUNTED_ELSEWHERE: Partial<Record<ViewName, readonly string[]>> = { kit: ["pieces"], settings: ["firings"] };

/** What is read before any view. */
const AT_THE_DOOR = ["studio", "user"];

describe("topics", () => {
	it.each(Object.keys(views) as ViewName[])("%s names every word whose tables it reads", async (view) => {
		const who = { actor: { id: "", sessionId: "", name: "", role: "instructor" as const }, now: new Date() };
		const params = await paramsOf(view);
		if (view === "recorder")
			await studio.db.update(kilns.kiln).set({ line: { driver: "folder", folder: "nothing-there" } });
		asked.length = 0;
		await see(heard.db, view, params, who);
		const tables = asked.flatMap((query) =>
			[...query.matchAll(/(?:from|join) "?([a-z_]+)"?/g)].map(([, name]) => name ?? ""),
		);
		const words = new Set(tables.flatMap((table) => wordOf.get(table) ?? []));
		// A view that is looked at where it has nothing to show would pass whatever it names.
		const elsewhere: readonly string[] = ["studio", "live", ...(COUNTED_ELSEWHERE[view] ?? [])];
		expect(
			views[view].topics.filter((topic) => !elsewhere.includes(topic) && !words.has(topic)),
			"named, and nothing of it was read",
		).toEqual([]);
		expect(tables.filter((table) => !AT_THE_DOOR.includes(table))).not.toEqual([]);
		const topics: readonly string[] = views[view].topics;
		expect([...words].filter((word) => !topics.includes(word))).toEqual([]);
	});

	it("are the words of the schema, the studio itself, and the newest reading", () => {
		expect([...Object.keys(WORDS), "studio", "live"].sort()).toEqual([...TOPICS].sort());
	});
});
