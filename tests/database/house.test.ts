import { randomUUID } from "node:crypto";
import type { Action } from "@contract/action";
import { type ActionName, actions } from "@contract/actions";
import type { Role } from "@contract/people";
import { type ViewName, views } from "@contract/views";
import { connect } from "@db/connect";
import { loadKiln } from "@db/queries/kilns";
import { latestLives } from "@db/queries/readings";
import { firing, glass, kiln, mould } from "@db/schema";
import { perform } from "@server/house/perform";
import { Refusal } from "@server/house/refusal";
import { see } from "@server/house/see";
import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const statusOf = (work: Promise<unknown>) =>
	work.then(
		() => 200,
		(error: unknown) => {
			if (error instanceof Refusal) return error.status;
			throw error;
		},
	);

describe("roles", () => {
	const as = (role: string) => ({
		actor: { id: "x", sessionId: "", name: "Somebody", role: role as Role },
		now: new Date(),
		headers: new Headers(),
	});

	it.each(Object.keys(actions) as ActionName[])(
		"%s is refused to a role we do not know, and to lesser ones",
		async (name) => {
			const least = (actions[name] as Action).role;
			for (const role of ["student", "", ...(least === "instructor" ? ["assistant"] : [])])
				expect(await statusOf(perform(studio.db, name, {}, as(role)))).toBe(403);
			// Who may is asked for its fields.
			expect(await statusOf(perform(studio.db, name, null, as(least)))).toBe(400);
		},
	);

	it.each(Object.keys(views) as ViewName[])("%s is not shown to a role we do not know", async (name) => {
		for (const role of ["student", ""]) expect(await statusOf(see(studio.db, name, {}, as(role)))).toBe(403);
	});
});

describe("a view's parameters", () => {
	it.each<[ViewName, Record<string, string>]>([
		["kit", { id: "------------------------------------" }],
		["kit", {}],
		["kitVersion", { id: randomUUID(), version: "abc" }],
		["readings", { firing: "abc" }],
		["proposal", { kiln: "x", pieces: "" }],
		["proposal", { kiln: randomUUID(), pieces: "a,b" }],
		["kilnRecord", { id: randomUUID(), from: "yesterday" }],
		["bench", { session: "__proto__" }],
		["handOver", { most: "NaN" }],
		["today", { surprise: "1" }],
	])("%s with %j is refused with a sentence, not an error of the server", async (view, params) => {
		const refused = await studio.see(view, params).catch((error: unknown) => error);
		expect(refused).toBeInstanceOf(Refusal);
		expect((refused as Refusal).status).toBe(400);
		expect((refused as Refusal).message.length).toBeGreaterThan(5);
	});
});

describe("what a person types and what the studio counts", () => {
	const kilnOf = async (name: string) => {
		const [row] = await studio.db.select().from(kiln).where(eq(kiln.name, name));
		return row as NonNullable<typeof row>;
	};

	it("a kiln saved from an older form keeps the firing that was counted meanwhile, and a learned offset", async () => {
		const { id } = await kilnOf("Silo kiln");
		const { form, revision } = await studio.see("kiln", { id });
		const before = await kilnOf("Silo kiln");
		await studio.db
			.update(kiln)
			.set({
				elements: { ...before.elements, firings: before.elements.firings + 1 },
				body: { ...before.body, offsetK: 4 },
			})
			.where(eq(kiln.id, id));
		await studio.act("saveKiln", { kiln: { ...form, name: "Silo kiln, new lid" }, revision });
		const after = await loadKiln(studio.db, id);
		expect(after?.name).toBe("Silo kiln, new lid");
		expect(after?.elements.firings).toBe(before.elements.firings + 1);
		expect(after?.body.offsetK).toBe(4);
		await studio.act("saveKiln", { kiln: form, revision: revision + 1 });
	});

	it("two forms of one kiln: the second is told; the same form sent twice counts once", async () => {
		const { id } = await kilnOf("Silo kiln");
		const { form, revision } = await studio.see("kiln", { id });
		const mine = { kiln: { ...form, marginMm: 17 }, revision };
		expect(await studio.act("saveKiln", mine)).toMatchObject({ revision: revision + 1 });
		expect(await studio.act("saveKiln", mine)).toMatchObject({ revision: revision + 1 });
		const theirs = studio.act("saveKiln", { kiln: { ...form, marginMm: 18 }, revision });
		expect(await statusOf(theirs)).toBe(409);
		expect((await loadKiln(studio.db, id))?.marginMm).toBe(17);
	});

	it("what a running firing goes by cannot be changed; its name can", async () => {
		const [running] = await studio.db.select().from(firing).where(eq(firing.state, "running"));
		const { form, revision } = await studio.see("kiln", { id: running?.kilnId ?? "" });
		for (const change of [{ maxC: 1300 }, { line: null }, { body: { ...form.body, powerW: form.body.powerW * 2 } }])
			expect(await statusOf(studio.act("saveKiln", { kiln: { ...form, ...change }, revision }))).toBe(409);
		expect(await statusOf(studio.act("saveKiln", { kiln: { ...form, name: `${form.name} 2` }, revision }))).toBe(200);
	});

	it("glass, families, moulds, ovens and samples: who saves on an older revision is told", async () => {
		const { glasses, families, moulds, samples } = await studio.see("books");
		const { ovens } = await studio.see("microwave");
		const [{ revision: g, retired: _g, ...oneGlass } = undefined as never] = glasses;
		const [{ revision: f, ...family } = undefined as never] = families;
		const [{ revision: m, retired: _m, usesSince: _, ...oneMould } = undefined as never] = moulds;
		const [{ revision: o, retired: _o, ...oven } = undefined as never] = ovens;
		const twice = async (save: (name: string) => Promise<unknown>) => [
			await statusOf(save("first")),
			await statusOf(save("second")),
		];
		expect(await twice((name) => studio.act("saveGlass", { glass: { ...oneGlass, name }, revision: g }))).toEqual([
			200, 409,
		]);
		expect(await twice((label) => studio.act("saveFamily", { family: { ...family, label }, revision: f }))).toEqual([
			200, 409,
		]);
		expect(await twice((name) => studio.act("saveMould", { mould: { ...oneMould, name }, revision: m }))).toEqual([
			200, 409,
		]);
		expect(await twice((name) => studio.act("saveOven", { oven: { ...oven, name }, revision: o }))).toEqual([200, 409]);
		const [{ id: sampleId, revision, document, kilnId, level, peakC, holdMin, firedOn, shows } = undefined as never] =
			samples;
		const typed = { sampleId, revision, document, kilnId, level, peakC, holdMin, firedOn, shows, name: "Same" };
		expect(await twice((result) => studio.act("saveSample", { ...typed, result }))).toEqual([200, 409]);
	});

	it("two first saves of one glass: one is kept, the other is told", async () => {
		const { glasses } = await studio.see("books");
		const [{ revision: _, retired: _r, ...one } = undefined as never] = glasses;
		const save = (name: string) =>
			statusOf(studio.act("saveGlass", { glass: { ...one, id: "twice", name }, revision: 0 }));
		expect((await Promise.all([save("a"), save("b")])).sort()).toEqual([200, 409]);
		expect(await studio.db.select().from(glass).where(eq(glass.id, "twice"))).toHaveLength(1);
	});

	it("a mould's firings go on being counted while its form is open", async () => {
		const [{ revision, retired: _r, usesSince, ...one } = undefined as never] = (await studio.see("books")).moulds;
		await studio.db
			.update(mould)
			.set({ usesSince: usesSince + 1 })
			.where(eq(mould.id, one.id));
		await studio.act("saveMould", { mould: one, revision });
		const [row] = await studio.db.select().from(mould).where(eq(mould.id, one.id));
		expect(row?.usesSince).toBe(usesSince + 1);
	});
});

describe("steering a kiln", () => {
	it("is refused for a firing that does not run", async () => {
		const [opened] = await studio.db.select().from(firing).where(eq(firing.state, "opened")).limit(1);
		await studio.db.update(kiln).set({ permissions: { steer: true, start: true } });
		const asked = { noteId: randomUUID(), firingId: opened?.id ?? "", sure: true as const, somebodyThere: true };
		for (const command of ["hold", "stop", "resume", "start"] as const)
			expect(await statusOf(studio.act("steerKiln", { ...asked, command }))).toBe(409);
	});
});

describe("long lists", () => {
	it("904 ready pieces are counted, shown a page at a time, and hide nothing at other stations", async () => {
		const before = (await studio.see("frame")).stations;
		await studio.db.execute(sql`
			insert into piece (code, kind, student_id, kit_version_id, family_id, state, seq, journey, since)
			select 'many' || n, 'student', p.student_id, p.kit_version_id, p.family_id, 'ready', 1,
				p.journey || '{"state":"ready","firingId":null}'::jsonb, now() - interval '1 year'
			from generate_series(1, 904) n, lateral (select * from piece order by code limit 1) p`);
		const { stations } = await studio.see("frame");
		expect(stations.handOver.count).toBe(before.handOver.count + 904);
		expect(stations.bench).toEqual(before.bench);
		const page = await studio.see("handOver");
		expect(page.ready).toHaveLength(200);
		expect(page.all.ready).toBeGreaterThanOrEqual(904);
		expect((await studio.see("handOver", { most: "1000" })).ready).toHaveLength(page.all.ready);
	});
});

describe("the day", () => {
	it("new elements are fitted on the studio's day, at 23:30 there and over a change of the clocks", async () => {
		await studio.db.execute(sql`update studio set time_zone = 'America/Denver'`);
		const [one] = await studio.db.select().from(kiln).where(eq(kiln.name, "Silo kiln"));
		// 23:30 in Denver: 06:30 the next day in UTC in winter, 05:30 in summer; clocks change on 2026-11-01.
		for (const [instant, day] of [
			["2026-10-31T05:30:00Z", "2026-10-30"],
			["2026-11-01T05:30:00Z", "2026-10-31"],
			["2026-11-02T06:30:00Z", "2026-11-01"],
		] as const) {
			await studio.act(
				"doneUpkeep",
				{ kilnId: one?.id ?? "", what: "look at the elements" },
				{ now: new Date(instant) },
			);
			expect((await loadKiln(studio.db, one?.id ?? ""))?.elements.fittedOn).toBe(day);
		}
	});
});

describe("round trips", () => {
	it("a load of many pieces is accepted and called off in a handful of questions, however many they are", async () => {
		const url = studio.url;
		const asked: string[] = [];
		const { trays, kilns } = await studio.see("load");
		const pieces = trays.find((tray) => tray.pieces.length > 2)?.pieces ?? [];
		const free = kilns[0]?.id ?? "";
		const counting = connect(url, 1, { debug: (_, text) => asked.push(text) });
		try {
			const who = {
				actor: { id: "", sessionId: "", name: "", role: "instructor" as const },
				now: new Date(),
				headers: new Headers(),
			};
			const [person] = await studio.db.execute<{ id: string }>(sql`select id from "user" where role = 'instructor'`);
			who.actor.id = person?.id ?? "";
			const firingId = randomUUID();
			const chosen = pieces.map(({ id, seq }) => ({ pieceId: id, seq }));
			await perform(counting.db, "acceptLoad", { firingId, kilnId: free, pieces: chosen }, who);
			expect(asked.length).toBeLessThan(25);
			asked.length = 0;
			await perform(counting.db, "cancelFiring", { firingId }, who);
			expect(asked.length).toBeLessThan(16);
		} finally {
			await counting.close();
		}
	});

	it("the newest reading of every kiln is one question", async () => {
		const kilns = await studio.db.select({ id: kiln.id }).from(kiln);
		const newest = await latestLives(
			studio.db,
			kilns.map(({ id }) => id),
			new Date(),
		);
		for (const [kilnId, reading] of newest) expect(reading.kilnId).toBe(kilnId);
		expect(newest.size).toBeGreaterThan(0);
	});
});
