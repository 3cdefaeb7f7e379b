import type { ViewName } from "@contract/views";
import { type Connection, connect } from "@db/connect";
import { see } from "@server/house/see";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";
import { addYears, STATIONS } from "../support/years";

/** A part of the budget of ten years (60,000 pieces, 500,000 events, 4 million readings): a third of it, made in the database. */
const PIECES = 20_000;
const EVENTS_EACH = 8;
const READINGS = 1_000_000;
/** Tables that grow for as long as a studio works. */
const GROWING = [
	"piece",
	"piece_event",
	"photo",
	"firing",
	"firing_place",
	"firing_note",
	"kiln_reading",
	"kiln_reading_span",
];
/** Rows of growing tables that a station may read: in proportion to what is shown, not to what there is. */
const MOST_ROWS = 3000;

let studio: DemoStudio;
let heard: Connection;
const asked: { query: string; parameters: unknown[] }[] = [];
beforeAll(async () => {
	studio = await demoStudio();
	const { db } = studio;
	heard = connect(studio.url, 1, { debug: (_, query, parameters) => asked.push({ query, parameters }) });
	await addYears(db, { pieces: PIECES, eventsEach: EVENTS_EACH, readings: READINGS });
});
afterAll(async () => {
	await heard.close();
	await studio.close();
});

interface Plan {
	"Node Type": string;
	"Relation Name"?: string;
	"Actual Rows": number;
	"Actual Loops": number;
	"Rows Removed by Filter"?: number;
	Plans?: Plan[];
}

const nodesOf = (plan: Plan): Plan[] => [plan, ...(plan.Plans ?? []).flatMap(nodesOf)];

/** What a question reads of growing tables: those it reads whole, and how many rows. */
async function readsOf(query: string, parameters: unknown[] = []) {
	const [row] = await heard.sql.unsafe(`explain (analyze, format json) ${query}`, parameters as never[]);
	const [{ Plan: plan }] = (row as unknown as { "QUERY PLAN": [{ Plan: Plan }] })["QUERY PLAN"];
	const nodes = nodesOf(plan).filter((node) => GROWING.includes(node["Relation Name"] ?? ""));
	return {
		whole: nodes.flatMap((node) => (node["Node Type"] === "Seq Scan" ? `${node["Relation Name"]}: ${query}` : [])),
		rows: nodes.reduce(
			(sum, node) => sum + (node["Actual Rows"] + (node["Rows Removed by Filter"] ?? 0)) * node["Actual Loops"],
			0,
		),
	};
}

/** Every question of a view as the database plans it. */
async function plansOf(view: ViewName, params: Record<string, string> = {}) {
	const who = { actor: { id: "", sessionId: "", name: "", role: "instructor" as const }, now: new Date() };
	await heard.sql`set enable_seqscan = on`;
	asked.length = 0;
	await see(heard.db, view, params, who);
	const questions = asked.filter(({ query }) => /^\s*(select|with)/i.test(query));
	// A small table is read whole because that is faster; here only whether there is another way.
	await heard.sql`set enable_seqscan = off`;
	const reads = [];
	for (const { query, parameters } of questions) reads.push(await readsOf(query, parameters));
	return {
		questions: questions.length,
		whole: reads.flatMap(({ whole }) => whole),
		rows: reads.reduce((sum, { rows }) => sum + rows, 0),
	};
}

describe("with years of data", () => {
	it("a question without an index would be seen", async () => {
		const { whole, rows } = await readsOf("select code from piece where collected_by = 'somebody'");
		expect(whole).toHaveLength(1);
		expect(rows).toBeGreaterThan(MOST_ROWS);
	});

	it.each(STATIONS)("%s reads no growing table whole, and of them what it shows", async (view, params) => {
		const { questions, whole, rows } = await plansOf(view, params);
		expect(questions).toBeGreaterThan(0);
		expect(whole).toEqual([]);
		expect(rows).toBeLessThan(MOST_ROWS);
	});

	it("a piece's page too", async () => {
		const code = (await studio.see("load")).trays[0]?.pieces[0]?.code ?? "";
		const { whole, rows } = await plansOf("piece", { code });
		expect(whole).toEqual([]);
		expect(rows).toBeLessThan(MOST_ROWS);
	});

	it("a firing of 40,000 readings is thinned on the server to some hundreds", async () => {
		const { firings } = await studio.see("fire");
		const first = firings.find(({ number }) => number === 7);
		const { points } = await studio.see("readings", { firing: first?.id ?? "" });
		expect(points.length).toBeGreaterThan(300);
		expect(points.length).toBeLessThan(1300);
	});

	it("half a year of a kiln’s record comes from its stretches, thinned; days of it too", async () => {
		const id = (await studio.see("kilns")).kilns[0]?.id ?? "";
		const to = new Date(Date.now() - 95 * 86_400_000);
		const record = (days: number) => ({
			id,
			from: new Date(to.getTime() - days * 86_400_000).toISOString(),
			to: to.toISOString(),
		});
		const { points } = await studio.see("kilnRecord", record(182));
		expect(points.length).toBeGreaterThan(250);
		expect(points.length).toBeLessThan(720);
		expect((await studio.see("kilnRecord", record(8))).points.length).toBeGreaterThan(200);
		expect((await plansOf("kilnRecord", record(182))).whole).toEqual([]);
	});
});
