import { randomUUID } from "node:crypto";
import type { Action } from "@contract/action";
import { actions } from "@contract/actions";
import { views } from "@contract/views";
import { firing, kiln, kitDesign, piece, student, user } from "@db/schema";
import { perform } from "@server/house/perform";
import { Refusal } from "@server/house/refusal";
import { see } from "@server/house/see";
import { Ajv2020 as Ajv } from "ajv/dist/2020";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { z } from "zod";
import { isForbidden, mutantsOf, sampleOf } from "../support/mutants";
import { type DemoStudio, demoStudio } from "../support/studio";
import { cases } from "../support/thorough";

/** Everything the studio can be asked, asked wrongly in every way: always a sentence, never a failure of the server. */
let studio: DemoStudio;
const ids: string[] = [];
let person = "";
beforeAll(async () => {
	studio = await demoStudio();
	const tables = [piece, kiln, kitDesign, student, firing] as const;
	for (const table of tables) {
		const [row] = await studio.db
			.select({ id: table.id })
			.from(table as typeof piece)
			.limit(1);
		if (row) ids.push(row.id);
	}
	const [one] = await studio.db.select({ id: user.id }).from(user).where(eq(user.role, "instructor"));
	person = one?.id ?? "";
});
afterAll(() => studio.close());

const asking = (role: string) => ({
	actor: { id: person, sessionId: "", name: "Probe", role: role as never },
	now: new Date(),
	headers: new Headers(),
});

type End = "answered" | "refused" | { failed: string };

/** How it ended: answered, refused with sentences, or a failure of the server. */
async function endOf(work: Promise<unknown>): Promise<End> {
	try {
		await work;
		return "answered";
	} catch (error) {
		if (!(error instanceof Refusal)) return { failed: error instanceof Error ? error.message : String(error) };
		if (error.status >= 500) return { failed: error.message };
		const spoken = error.problems.length > 0 && error.problems.every(({ sentence }) => sentence.join("").length > 5);
		return spoken ? "refused" : { failed: `refused without a word: ${error.message}` };
	}
}

const failureOf = async (work: Promise<unknown>): Promise<string | undefined> => {
	const end = await endOf(work);
	return typeof end === "object" ? end.failed : undefined;
};

/** Before every commit each place is tried with a quarter of the hostile values, on CI with all. */
const SHARE = cases(1, 4);

/**
 * Asks with every mutant: each that another library finds wrong by the published form (Ajv on the JSON Schema), or that nobody may
 * send at all, has to be refused; the others may be answered. Returns what went otherwise, and how many were to be refused.
 */
async function askWrongly(schema: z.ZodType, ask: (input: unknown) => Promise<unknown>) {
	const allows = new Ajv({
		strict: false,
		formats: { uuid: true, date: true, "date-time": true, email: true, uri: true },
	}).compile(z.toJSONSchema(schema, { unrepresentable: "any", io: "input" }));
	const wrong: string[] = [];
	let refused = 0;
	for (const input of mutantsOf(sampleOf(schema, ids), SHARE)) {
		const end = await endOf(ask(input));
		const mustBe = isForbidden(input) || !allows(input);
		if (typeof end === "object") wrong.push(`${end.failed}: ${said(input)?.slice(0, 300)}`);
		else if (mustBe && end === "answered") wrong.push(`answered: ${said(input)?.slice(0, 300)}`);
		if (mustBe && end === "refused") refused++;
	}
	return { wrong, refused };
}

const said = (input: unknown) =>
	JSON.stringify(input, (_, value) => (typeof value === "string" ? value.slice(0, 60) : value));

// The sign-in library asks for a server of its own; its door is probed in tests/faults/door.test.ts.
const names = Object.keys(actions).filter((name) => name !== "changePassword") as (keyof typeof actions)[];

describe("an action", () => {
	it.each(names)("%s, asked wrongly, is refused with a sentence", async (name) => {
		const { schema, upload }: Action = actions[name];
		const bytes = upload ? Buffer.from("no image") : undefined;
		const { wrong, refused } = await askWrongly(schema, (input) =>
			perform(studio.db, name, input, { ...asking("instructor"), bytes }),
		);
		expect(wrong).toEqual([]);
		expect(refused).toBeGreaterThan(0);
	});

	it.each(names)("%s, asked twice at once, is answered or refused twice", async (name) => {
		const input = sampleOf(actions[name].schema, ids);
		const both = [1, 2].map(() => failureOf(perform(studio.db, name, input, asking("instructor"))));
		expect(await Promise.all(both)).toEqual([undefined, undefined]);
	});

	it.each(names)(
		"%s is nothing for a role we do not know, and for an assistant only what assistants do",
		async (name) => {
			const { schema, role }: Action = actions[name];
			const input = sampleOf(schema, ids);
			for (const who of ["", "owner", "constructor", "__proto__", ...(role === "instructor" ? ["assistant"] : [])])
				await expect(perform(studio.db, name, input, asking(who))).rejects.toMatchObject({ kind: "forbidden" });
		},
	);
});

describe("a view", () => {
	const shown = Object.keys(views) as (keyof typeof views)[];
	it.each(shown)("%s, asked wrongly, is refused with a sentence", async (name) => {
		const { wrong, refused } = await askWrongly(views[name].schema, (input) =>
			see(studio.db, name, input as never, asking("instructor")),
		);
		expect(wrong).toEqual([]);
		expect(refused).toBeGreaterThan(0);
	});

	it.each(shown)("%s is nothing for a role we do not know", async (name) => {
		await expect(see(studio.db, name, {}, asking("owner"))).rejects.toMatchObject({ kind: "forbidden" });
	});
});

it("a kit issued to two under one id, or with one event, is refused or counts once", async () => {
	const { session, seats, kits } = await studio.see("bench");
	const [first, second] = seats.map(({ studentId }) => studentId);
	const [pieceId, eventId, other] = [randomUUID(), randomUUID(), randomUUID()];
	const issued = (issues: { pieceId: string; eventId: string; studentId: string }[]) =>
		failureOf(
			studio.act("issueKits", { sessionId: session?.id ?? "", kitId: kits[0]?.id ?? "", promisedDay: null, issues }),
		);
	const one = { pieceId, eventId, studentId: first ?? "" };
	expect(await issued([one, one])).toBeUndefined();
	expect(await issued([one, { ...one, studentId: second ?? "" }])).toBeUndefined();
	expect(await issued([one, { ...one, pieceId: other }])).toBeUndefined();
});
