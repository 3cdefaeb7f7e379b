import { randomUUID } from "node:crypto";
import type { Action } from "@contract/action";
import { actions } from "@contract/actions";
import { views } from "@contract/views";
import { firing, kiln, kitDesign, piece, student, user } from "@db/schema";
import { perform } from "@server/house/perform";
import { Refusal } from "@server/house/refusal";
import { see } from "@server/house/see";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mutantsOf, sampleOf } from "../support/mutants";
import { type DemoStudio, demoStudio } from "../support/studio";

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

/** Why it was a failure of the server; undefined where it was answered or refused. */
async function failureOf(work: Promise<unknown>): Promise<string | undefined> {
	try {
		await work;
		return undefined;
	} catch (error) {
		if (error instanceof Refusal) return error.status < 500 ? undefined : error.message;
		return error instanceof Error ? error.message : String(error);
	}
}

const said = (input: unknown) =>
	JSON.stringify(input, (_, value) => (typeof value === "string" ? value.slice(0, 60) : value));

// The sign-in library asks for a server of its own; its door is probed in tests/faults/door.test.ts.
const names = Object.keys(actions).filter((name) => name !== "changePassword") as (keyof typeof actions)[];

describe("an action", () => {
	it.each(names)("%s, asked wrongly, is refused with a sentence", async (name) => {
		const { schema, upload }: Action = actions[name];
		const bytes = upload ? Buffer.from("no image") : undefined;
		const failures: string[] = [];
		for (const input of mutantsOf(sampleOf(schema, ids))) {
			const failure = await failureOf(perform(studio.db, name, input, { ...asking("instructor"), bytes }));
			if (failure !== undefined) failures.push(`${failure}: ${said(input)?.slice(0, 300)}`);
		}
		expect(failures).toEqual([]);
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
		const failures: string[] = [];
		for (const input of mutantsOf(sampleOf(views[name].schema, ids))) {
			const failure = await failureOf(see(studio.db, name, input as never, asking("instructor")));
			if (failure !== undefined) failures.push(`${failure}: ${said(input)?.slice(0, 300)}`);
		}
		expect(failures).toEqual([]);
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
