import { readCode } from "@core/journey/code";
import { allParts } from "@core/kit/kit";
import { Refusal } from "@server/house/refusal";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

describe("stations of the demo", () => {
	it("Kits: nine of them, each drawn, read and without a stop", async () => {
		const { kits, glasses, families } = await studio.see("kits");
		expect(kits.map(({ document }) => document.name)).toEqual([
			"Bearing paperweight",
			"Contour-map dish",
			"Field gate",
			"Grain-sack pocket",
			"Kite for a window",
			"Night-sky brooch",
			"Nine-patch coaster",
			"Pump-wheel tile",
			"Shingle roof ring",
		]);
		for (const { reading, document } of kits) {
			expect(reading.massG).toBeGreaterThan(15);
			expect(reading.findings.filter(({ severity }) => severity === "stop")).toEqual([]);
			for (const part of allParts(document))
				if ("glassId" in part) expect(glasses.some(({ id }) => id === part.glassId)).toBe(true);
		}
		expect(families.some(({ tested }) => !tested)).toBe(true);
	});

	it("Cut: today's class comes first, and the counts are parts × kits + spares", async () => {
		const { session, runs } = await studio.see("cut");
		expect(session?.isToday).toBe(true);
		const [run] = runs;
		expect(run?.lines.reduce((sum, { needed }) => sum + needed, 0)).toBe(10 * 8);
		expect(run?.lines.every(({ spares }) => spares >= 1)).toBe(true);
	});

	it("Bench: eight seats in order, each with at most its own pieces", async () => {
		const { seats } = await studio.see("bench");
		expect(seats.map(({ seat }) => seat)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
		for (const { name, pieces } of seats) for (const piece of pieces) expect(piece.student).toBe(name);
	});

	it("Dry: soonest first; when the hour comes, pieces are in their tray without anybody doing anything", async () => {
		const now = new Date();
		const { pieces } = await studio.see("dry", {}, now);
		expect(pieces.length).toBeGreaterThan(0);
		expect([...pieces].sort((a, b) => (a.readyFrom ?? "").localeCompare(b.readyFrom ?? ""))).toEqual(pieces);
		const first = pieces[0];
		const later = new Date(Date.parse(first?.readyFrom ?? "") + 1000);
		expect((await studio.see("dry", {}, later)).pieces.some(({ id }) => id === first?.id)).toBe(false);
		const trays = (await studio.see("load", {}, later)).trays.flatMap((tray) => tray.pieces.map(({ id }) => id));
		expect(trays).toContain(first?.id);
	});

	it("Load: a tray holds one family, one level and one band; a proposal names who sets each part", async () => {
		const { trays, kilns, pictures } = await studio.see("load");
		for (const tray of trays) {
			for (const piece of tray.pieces) {
				expect([piece.familyId, piece.level]).toEqual([tray.familyId, tray.level]);
				expect(piece.effectiveMm).toBeLessThanOrEqual(tray.upToMm ?? Number.POSITIVE_INFINITY);
				expect(pictures[piece.kitVersionId ?? ""]?.shapes.length).toBeGreaterThan(1);
			}
		}
		const tray = trays[0];
		const ids = tray?.pieces.map(({ id }) => id) ?? [];
		const proposal = await studio.see("proposal", { kiln: kilns[1]?.id ?? "", pieces: ids.join(",") });
		expect([...proposal.places.map(({ id }) => id), ...proposal.leftIds].sort()).toEqual([...ids].sort());
		for (const part of ["firstRamp", "soak", "cool"] as const)
			expect(ids).toEqual(expect.arrayContaining(proposal.setBy[part]));
		expect(Date.parse(proposal.openAt)).toBeGreaterThan(Date.now() + 10 * 3_600_000);
	});

	it("a proposal for the microwave block, for nothing or for a kiln that is not there is refused", async () => {
		const { kilns } = await studio.see("kilnStrip");
		const block = kilns.find(({ kind }) => kind === "microwaveBlock")?.id ?? "";
		const { trays } = await studio.see("load");
		const one = trays[0]?.pieces[0]?.id ?? "";
		for (const params of [
			{ kiln: block, pieces: one },
			{ kiln: kilns[0]?.id ?? "", pieces: "" },
			{ kiln: one, pieces: one },
		]) {
			await expect(studio.see("proposal", params)).rejects.toBeInstanceOf(Refusal);
		}
	});

	it("Fire and Open: a running firing has its readings, an opened one its unjudged pieces", async () => {
		const { firings } = await studio.see("fire");
		const running = firings.find(({ state }) => state === "running");
		const { points, flowSoFar } = await studio.see("readings", { firing: running?.id ?? "" });
		expect(points.length).toBeGreaterThan(100);
		expect(Math.max(...points.map(({ c }) => c ?? 0))).toBeGreaterThan(740);
		expect(flowSoFar).toBeGreaterThan(0.8);
		const { firings: toJudge } = await studio.see("open");
		expect(toJudge[0]?.pieces.some(({ judgedLevel }) => judgedLevel === null)).toBe(true);
		expect(toJudge.find(({ id }) => id === running?.id)?.opening.may).toBe(false);
	});

	it("Hand over: what is ready has a spot or waits for one", async () => {
		const { ready, spots, coldWork } = await studio.see("handOver");
		expect(spots).toHaveLength(12);
		expect(ready.every(({ spot }) => spot === null)).toBe(true);
		expect(spots.flatMap(({ pieces }) => pieces).length).toBeGreaterThan(0);
		expect(coldWork.length).toBeGreaterThan(0);
	});

	it("a piece's page tells its whole journey in order", async () => {
		const { spots } = await studio.see("handOver");
		const code = spots.flatMap(({ pieces }) => pieces)[0]?.code ?? "";
		expect(readCode(code)).toBe(code);
		const { history, firings, undoable } = await studio.see("piece", { code: code.toLowerCase() });
		expect(history.map(({ event }) => event.type)).toEqual([
			"issued",
			"handedIn",
			"placed",
			"firingStarted",
			"judged",
			"shelved",
		]);
		expect(firings).toHaveLength(1);
		expect(undoable).toBe("shelved");
		await expect(studio.see("piece", { code: "22222" })).rejects.toThrow("There is no piece");
	});

	it("the finder knows pieces, students, kits, glasses and kilns; a whole code is exact", async () => {
		const kinds = async (q: string) => [...new Set((await studio.see("find", { q })).found.map(({ kind }) => kind))];
		expect(await kinds("Varnhold")).toContain("piece");
		expect(await kinds("nine")).toContain("kit");
		expect(await kinds("dusk")).toContain("glass");
		expect(await kinds("silo")).toContain("kiln");
		expect((await studio.see("find", { q: "x" })).found).toEqual([]);
		expect((await studio.see("find", { q: "%" + "_" })).found).toEqual([]);
		const { labels } = await studio.see("labels", { codes: "nonsense,K7" });
		expect(labels).toEqual([]);
	});

	it("a promise is late the moment its day is over in the studio's zone", async () => {
		const { promised } = await studio.see("today");
		const soon = promised.find(({ urgency }) => urgency === "atRisk");
		const after = new Date(Date.now() + 4 * 86_400_000);
		const later = (await studio.see("today", {}, after)).promised.find(({ key }) => key === soon?.key);
		expect(later?.urgency).toBe("late");
	});
});
