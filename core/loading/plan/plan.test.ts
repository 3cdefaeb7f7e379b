import { describe, expect, it } from "vitest";
import { exactPlanCost } from "../../../tests/support/exact-plan";
import { mould } from "../../../tests/support/kit";
import { measured } from "../../../tests/support/measured";
import { openMinutes, wrongWithPlan } from "../../../tests/support/plan-checker";
import { openDays, planStudio, SMALL_KILN } from "../../../tests/support/plan-studio";
import { cases, someOf } from "../../../tests/support/thorough";
import { USUAL_PACE } from "../../firing/schools";
import { FAMILY_90 } from "../../glass/family";
import { costOf, planOf, SLACK_MIN, TURNOVER_MIN } from "./decode";
import { jobsOf } from "./piece-jobs";
import { problemOf } from "./problem";
import { roundsFor, searchPlan } from "./search";
import { longestOutside, nextIn, without } from "./spans";
import type { Plan, PlanInput, PlanPiece } from "./types";
import { PLAN_NAMES, PLAN_WEIGHTS, weightsOf } from "./weights";
import { USUAL_WISHES } from "./wishes";

const lastOf = (input: PlanInput, name: (typeof PLAN_NAMES)[number] = "soonest", rounds = 30): Plan => {
	let plan: Plan | undefined;
	for (plan of searchPlan(problemOf(input), PLAN_WEIGHTS[name], rounds));
	if (!plan) throw new Error("no plan");
	return plan;
};

describe("a plan over kilns and days", () => {
	it.each(Array.from({ length: cases(24, 6) }, (_, i) => i + 1))(
		"studio %i: nothing forbidden (independent checker)",
		(seed) => {
			const moulds = { ...(seed % 4 > 1 && { moulds: 1 + (seed % 3) }) };
			const input = planStudio(seed, {
				pieces: 4 + ((seed * 7) % 30),
				kilns: 1 + (seed % 3),
				days: 6 + (seed % 9),
				...moulds,
			});
			const first = input.moulds[0];
			if (first) first.booked = [{ from: 0, to: 4000, taken: first.count }];
			if (seed % 2 === 0)
				input.kilns[0] = {
					...SMALL_KILN,
					booked: [
						{ from: 300, to: 2000 },
						{ from: 5000, to: 6500 },
					],
				};
			const name = PLAN_NAMES[seed % 3] as (typeof PLAN_NAMES)[number];
			const plan = lastOf(input, name, 12);
			expect(wrongWithPlan(input, plan, PLAN_WEIGHTS[name].mixBands, SLACK_MIN)).toEqual([]);
			expect(plan.figures.left.length + Object.keys(plan.homeMin).length).toBe(input.pieces.length);
		},
	);

	it.each(someOf([1, 2, 3, 4, 5, 6], 2))(
		"studio %i with a shelf above: nothing forbidden, never more firings",
		(seed) => {
			const input = planStudio(seed, { pieces: 30, kilns: 1, days: 12 });
			const one = lastOf(input, "fewest", 12);
			const [kiln] = input.kilns;
			if (!kiln) throw new Error("no kiln");
			const above = { ...input, kilns: [{ ...kiln, upper: [{ postMm: 60, offsetK: 0 }] }] };
			const two = lastOf(above, "fewest", 12);
			// How many shelves a load takes is reckoned by its area before it is laid: an hour of the slack goes for that.
			expect(wrongWithPlan(above, two, PLAN_WEIGHTS.fewest.mixBands, SLACK_MIN - 60)).toEqual([]);
			expect(two.cost).toBeLessThanOrEqual(one.cost);
			expect(two.figures.firings - two.figures.left.length).toBeLessThanOrEqual(one.figures.firings);
		},
	);

	it("the same input and seed give the same plan; more rounds never a dearer one", () => {
		const input = planStudio(3, { pieces: 24 });
		expect(lastOf(input)).toEqual(lastOf(planStudio(3, { pieces: 24 })));
		const costs = [...searchPlan(problemOf(input), PLAN_WEIGHTS.soonest, 25)].map(({ cost }) => cost);
		expect(costs).toEqual([...costs].sort((a, b) => b - a));
	});

	it("the three plans are what they are called", () => {
		const input = planStudio(2, { pieces: 40 });
		const [soonest, fewest, gentlest] = PLAN_NAMES.map((name) => lastOf(input, name, 60)) as [Plan, Plan, Plan];
		expect(fewest.figures.firings).toBeLessThanOrEqual(Math.min(soonest.figures.firings, gentlest.figures.firings));
		expect(gentlest.figures.overAnnealH).toBeLessThanOrEqual(fewest.figures.overAnnealH);
		expect(soonest.figures.waitingH).toBeLessThanOrEqual(
			Math.min(fewest.figures.waitingH, gentlest.figures.waitingH) * 1.02,
		);
	});

	it("nothing is left out that a kiln has a free day for", () => {
		for (const seed of [5, 6, 7]) expect(lastOf(planStudio(seed, { pieces: 30 })).figures.left).toEqual([]);
	});

	it.each(someOf([48, 54, 41, 43, 59, 60, 61, 62, 63, 66, 75, 79], 2))(
		"a tiny studio, %i, costs what a solver proves to be the least",
		async (seed) => {
			const pieces = 5 + (seed % 4);
			const input = tiny(seed, pieces);
			const problem = problemOf(input);
			const weights = PLAN_WEIGHTS[PLAN_NAMES[seed % 3] as (typeof PLAN_NAMES)[number]];
			const least = await exactPlanCost(input, weights, {
				...{ slackMin: SLACK_MIN, turnoverMin: TURNOVER_MIN },
				hours: (kiln, jobs) => problem.hours.of(kiln, jobs).openMin,
				over: (kiln, jobs) => problem.hours.overAnnealH(kiln, jobs),
				fits: (kiln, jobs) => problem.fit.fits(kiln, jobs),
			});
			let cost = Number.POSITIVE_INFINITY;
			for (const plan of searchPlan(problem, weights, roundsFor(pieces))) cost = plan.cost;
			expect(cost).toBeCloseTo(least, 4);
		},
	);

	it("what is planned and what it is priced at are one", () => {
		const input = planStudio(9, { pieces: 20 });
		const problem = problemOf(input);
		const plan = lastOf(input);
		const again = planOf(problem, plan.loads, PLAN_WEIGHTS.soonest);
		expect(again).toEqual(plan);
		expect(costOf(problem, plan.loads, PLAN_WEIGHTS.soonest)).toBeCloseTo(plan.cost, 9);
		for (const { kiln, jobs, startMin, coolMin } of plan.loads) {
			// Never sooner than a simulation in short steps says; later only by the coarser step and the rounding of the glass.
			const later = coolMin - startMin - openMinutes(input, kiln, jobs);
			expect(later).toBeGreaterThanOrEqual(0);
			expect(later).toBeLessThan(45);
		}
	});
});

describe("what no plan can do is said by leaving it out", () => {
	it.each<[string, (input: PlanInput) => void]>([
		["hours nobody can meet", (input) => input.there.splice(0)],
		[
			"a kiln taken for all the days",
			(input) => input.kilns.splice(0, 3, { ...SMALL_KILN, booked: [{ from: -10, to: 40_000 }] }),
		],
		["no kiln", (input) => input.kilns.splice(0)],
		["a kiln that does not get hot enough", (input) => input.kilns.splice(0, 3, { ...SMALL_KILN, maxC: 500 })],
		[
			"pieces that are dry after the last day",
			(input) => {
				for (const piece of input.pieces) piece.readyMin = 60_000;
			},
		],
	])("%s", (_, spoil) => {
		const input = planStudio(4, { pieces: 6 });
		spoil(input);
		const plan = lastOf(input, "soonest", 3);
		expect(plan.loads).toEqual([]);
		expect(plan.figures.left).toHaveLength(6);
	});
	it("a piece too large for every shelf stays; the others go", () => {
		const input = planStudio(4, { pieces: 6 });
		const large = tiny(1, 1).pieces[0] as PlanPiece;
		large.jobs = large.jobs.map((job) => ({ ...job, heightMm: 400 }));
		input.pieces.push({ ...large, id: "large" });
		expect(lastOf(input).figures.left).toEqual(["large"]);
	});
	it("a kiln may fire no longer alone than the studio allows", () => {
		const input = { ...planStudio(4, { pieces: 6 }), aloneMin: 6 * 60 };
		for (const { startMin, doneMin } of lastOf(input).loads)
			expect(longestOutside(input.there, startMin, doneMin)).toBeLessThanOrEqual(6 * 60);
	});
});

describe("a second firing", () => {
	it("waits until the first is opened and judged, and goes into the mould's room", () => {
		const input = planStudio(12, { pieces: 16 });
		const plan = lastOf(input);
		for (const piece of input.pieces.filter(({ jobs }) => jobs.length > 1)) {
			const flat = input.pieces.flatMap((one) => one.jobs.map((job) => ({ one, job })));
			const first = flat.findIndex(({ one }) => one.id === piece.id);
			const loadOf = (job: number) => plan.loads.find(({ jobs }) => jobs.includes(job));
			expect(loadOf(first + 1)?.startMin).toBeGreaterThanOrEqual((loadOf(first)?.openMin ?? 1e9) + 120);
		}
		const made = { widthMm: 90, heightMm: 90, thickestMm: 6, thinnestMm: 6, massG: null, changed: "" };
		const waiting = { id: "a", familyId: "90", promised: null };
		const dish = mould("dish", { widthMm: 120, heightMm: 120, depthMm: 30 });
		const [full, slump] = jobsOf(
			waiting,
			[
				{ body: measured(made, "full", { trappedSpanMm: 90 }), handWork: "grind" },
				{ body: measured(made, "slump", { hadLevel: "full" }), handWork: "", mould: dish },
			],
			{ judge: 2, coldWork: 24 },
			new Map(),
		);
		expect(full).toMatchObject({ tray: "90/full/6.5", afterMin: 0, toFire: { fired: false, trappedSpanMm: 90 } });
		expect(slump).toMatchObject({
			tray: "90/slump/6.5",
			afterMin: 26 * 60,
			heightMm: 46,
			mouldId: "dish",
			toFire: { fired: true, trappedSpanMm: 0 },
		});
		expect(slump?.form.areaMm2).toBeCloseTo(136 * 136, 6);
	});
});

describe("moulds", () => {
	/** A class of six, all slumped in one kind of dish, on three kilns. */
	const classOf = (moulds: number): PlanInput => {
		const input = planStudio(12, { pieces: 16, days: 20, moulds });
		const slumped = input.pieces.filter(({ jobs }) => jobs.length > 1).slice(0, 6);
		return { ...input, pieces: slumped };
	};
	const slumps = (input: PlanInput, plan: Plan) => {
		const flat = input.pieces.flatMap(({ jobs }) => jobs);
		return plan.loads.filter(({ jobs }) => flat[jobs[0] ?? -1]?.mouldId);
	};
	it("who has one dish slumps one piece at a time, in no two kilns at once; who has enough slumps them together", () => {
		const [one, six] = [classOf(1), classOf(6)];
		expect(one.pieces.length).toBeGreaterThan(2);
		const loads = slumps(one, lastOf(one, "fewest"));
		expect(loads.every(({ jobs }) => jobs.length === 1)).toBe(true);
		const inOrder = loads.toSorted((a, b) => a.startMin - b.startMin);
		for (const [i, load] of inOrder.entries())
			if (i > 0) expect(load.startMin).toBeGreaterThanOrEqual((inOrder[i - 1]?.openMin ?? 0) + TURNOVER_MIN);
		expect(slumps(six, lastOf(six, "fewest")).length).toBeLessThan(loads.length);
	});
	it("a dish that lies in an announced firing is waited for", () => {
		const input = classOf(6);
		for (const mould of input.moulds) mould.booked = [{ from: 0, to: 9000, taken: 4 }];
		for (const { startMin, jobs } of slumps(input, lastOf(input)))
			if (jobs.length > 2) expect(startMin).toBeGreaterThanOrEqual(9000);
	});
});

describe("a studio's own wishes", () => {
	it("as usual they are the plan's own; more and less change what they are about, and nothing else", () => {
		for (const name of PLAN_NAMES) expect(weightsOf(name, USUAL_WISHES)).toEqual(PLAN_WEIGHTS[name]);
		const its = weightsOf("gentlest", { ...USUAL_WISHES, gentle: "more", firings: "less" });
		expect(its).toEqual({ ...PLAN_WEIGHTS.gentlest, overAnnealHour: 4.5, firing: 2 });
		const few = weightsOf("fewest", { ...USUAL_WISHES, firings: "more", promises: "less" });
		expect(few.leftOut).toBeGreaterThan(few.firing);
	});
	it("with firings worth less there are never fewer of them; with gentleness worth more, never more over-annealing", () => {
		const input = planStudio(2, { pieces: 24 });
		const planned = (wishes: Partial<PlanInput["wishes"]>) => {
			const weights = weightsOf("soonest", { ...USUAL_WISHES, ...wishes });
			return [...searchPlan(problemOf(input), weights, 40)].at(-1) as Plan;
		};
		expect(planned({ firings: "more" }).figures.firings).toBeLessThanOrEqual(
			planned({ firings: "less" }).figures.firings,
		);
		expect(planned({ gentle: "more" }).figures.overAnnealH).toBeLessThanOrEqual(
			planned({ gentle: "less" }).figures.overAnnealH + 1e-9,
		);
	});
});

describe("spans of minutes", () => {
	const spans = [
		{ from: 10, to: 20 },
		{ from: 30, to: 40 },
	];
	it.each([
		[5, 10],
		[10, 10],
		[19, 19],
		[20, 30],
		[39, 39],
		[40, Number.POSITIVE_INFINITY],
	])("the next from %i is %f", (at, next) => expect(nextIn(spans, at)).toBe(next));
	it.each([
		[0, 50, 10],
		[12, 18, 0],
		[15, 35, 10],
		[45, 60, 15],
	])("outside between %i and %i, at most %i on end", (from, to, most) =>
		expect(longestOutside(spans, from, to)).toBe(most),
	);
	it("what is quiet is taken out", () =>
		expect(without(spans, [{ from: 15, to: 32 }])).toEqual([
			{ from: 10, to: 15 },
			{ from: 32, to: 40 },
		]));
});

/** Some pieces of one tray and form or two, two kilns, four days. */
function tiny(seed: number, pieces = 5): PlanInput {
	const n = (k: number) => (Math.imul(seed * 31 + k, 2654435761) >>> 8) % 100;
	const there = openDays(8);
	return {
		pieces: Array.from({ length: pieces }, (_, i): PlanPiece => {
			const mm = n(i) < 50 ? 120 : 190;
			const asMade = {
				widthMm: mm,
				heightMm: mm,
				thickestMm: n(i + 9) < 60 ? 6 : 5,
				thinnestMm: 5,
				massG: null,
				changed: "",
			};
			const waiting = { id: `t${i}`, code: `T${i}`, familyId: "90", promised: null };
			const body = measured(asMade, "full", {
				effectiveMm: asMade.thickestMm,
				blackBesideWhite: n(i + 3) < 20,
				trappedSpanMm: mm,
			});
			return {
				...{
					id: waiting.id,
					code: waiting.code,
					group: "",
					tailMin: 240,
					readyMin: n(i + 20) < 40 ? n(i + 21) * 20 : 0,
				},
				jobs: jobsOf(waiting, [{ body, handWork: "" }], { judge: 2, coldWork: 24 }, new Map()),
				promisedMin: n(i + 30) < 70 ? 1440 * (1 + (n(i + 31) % 4)) + 960 : null,
			};
		}),
		kilns: [
			SMALL_KILN,
			{ ...SMALL_KILN, id: "b", shelf: { widthMm: 300, heightMm: 260, marginMm: 10, shape: "rectangle" } },
		],
		families: [FAMILY_90],
		schools: { ...USUAL_PACE, soak: "lower", clearanceMm: 5 },
		...{ there, mayStart: there, horizonMin: 4 * 1440, aloneMin: null },
		...{ moulds: [], wishes: USUAL_WISHES },
	};
}
