import { type CutShape, regionOfShape } from "@core/geometry/shape";
import { simpler } from "@core/geometry/simpler";
import { bestPacking } from "@core/loading/best-packing";
import { problemsOf } from "@core/loading/lay-problems";
import { bestLaid, layings, USUAL_LAY_PASSES } from "@core/loading/outlines/best-laid";
import { boxOutline } from "@core/loading/outlines/fired-outline";
import { type Form, formOf } from "@core/loading/outlines/form";
import { layOutlines } from "@core/loading/outlines/lay-outlines";
import { Templates } from "@core/loading/outlines/templates";
import { packShelf } from "@core/loading/pack";
import { atLeast } from "@core/loading/plan/at-least";
import { problemOf } from "@core/loading/plan/problem";
import { roundsFor, searchPlan } from "@core/loading/plan/search";
import { PLAN_NAMES, PLAN_WEIGHTS, PLAN_WORDS } from "@core/loading/plan/weights";
import { type Shelf, usableMm2 } from "@core/loading/shelf";
import { seededRandom } from "@core/seeded-random";
import { classPieces } from "../tests/support/class-pieces";
import { packedByOthers } from "../tests/support/pack-by-others";
import { planStudio } from "../tests/support/plan-studio";
import { sixtyOutlines } from "../tests/support/sixty-outlines";
import {
	byHand,
	byPlan,
	type Policy,
	type QuarterFigures,
	quarter,
	simulateStudio,
} from "../tests/support/studio-quarter";

/** How full a shelf becomes with sixty pieces waiting, and what plans over kilns and days come to: invented, always the same. */

const STUDIOS = 8;
const PASSES = USUAL_LAY_PASSES;
const SHELVES: readonly [string, Shelf][] = [
	["500 × 400", { widthMm: 500, heightMm: 400, marginMm: 0, shape: "rectangle" }],
	["round, Ø 430", { widthMm: 430, heightMm: 430, marginMm: 0, shape: "round" }],
	["octagon, 430", { widthMm: 430, heightMm: 430, marginMm: 0, shape: "octagon" }],
];

const star = (mm: number): CutShape => ({
	kind: "outline",
	points: Array.from({ length: 10 }, (_, i) => {
		const r = i % 2 === 1 ? mm / 2 : mm;
		return { x: r * Math.cos((Math.PI * i) / 5), y: r * Math.sin((Math.PI * i) / 5) };
	}),
});
const SHAPES: readonly CutShape[] = [
	{ kind: "circle", diameterMm: 60 },
	{ kind: "circle", diameterMm: 100 },
	star(50),
	{ kind: "rectangle", widthMm: 120, heightMm: 40 },
	{ kind: "square", sideMm: 90 },
	{ kind: "triangle", widthMm: 90, heightMm: 70 },
	{ kind: "polygon", sides: 6, diameterMm: 80 },
	{ kind: "circle", diameterMm: 12 },
	{ kind: "rectangle", widthMm: 30, heightMm: 60 },
];

const mixed = (seed: number) => {
	const random = seededRandom(seed);
	return Array.from({ length: 6 }, () => SHAPES[Math.floor(random() * SHAPES.length)] as CutShape).flatMap(
		(shape, kind) => {
			const form = formOf(simpler(regionOfShape(shape)[0] ?? []));
			return Array.from({ length: 10 }, (_, i) => ({ id: `${kind} ${i}`, form, rank: 0 }));
		},
	);
};
const boxes = (seed: number) =>
	classPieces(seed).map(({ id, widthMm, heightMm }) => ({ id, form: formOf(boxOutline(widthMm, heightMm)), rank: 0 }));

/** Share of each shelf that is glass, %: boxes within its largest rectangle, then the first laying and the best of many, with its time. */
export const shelfRows = (): string[] =>
	SHELVES.flatMap(([name, shelf]) =>
		(
			[
				["class sets of boxes", boxes],
				["mixed outlines", mixed],
				["sixty outlines", sixtyOutlines],
			] as const
		).map(([what, made]) => {
			let [one, first, best, ms, all] = [0, 0, 0, 0, 0];
			const side = shelf.widthMm * Math.SQRT1_2;
			const within: Shelf =
				shelf.shape === "rectangle" ? shelf : { widthMm: side, heightMm: side, marginMm: 0, shape: "rectangle" };
			for (let seed = 1; seed <= STUDIOS; seed++) {
				const pieces = made(seed);
				const areaOf = (ids: readonly { id: string }[]) =>
					ids.reduce((sum, { id }) => sum + (pieces.find((its) => its.id === id)?.form.areaMm2 ?? 0), 0);
				const asBoxes = pieces.map(({ id, form: { turns } }) => {
					const { minX, maxX, minY, maxY } = turns[0] as (typeof turns)[0];
					return { id, widthMm: maxX - minX, heightMm: maxY - minY };
				});
				one += areaOf(packShelf(asBoxes, within, 0).places);
				const from = performance.now();
				let pass = 0;
				let last = 0;
				for (const { laid } of layings({ pieces, shelf, clearanceMm: 0, passes: PASSES })) {
					last = areaOf(laid);
					if (pass++ === 0) [first, ms] = [first + last, ms + performance.now() - from];
				}
				best += last;
				all += performance.now() - from;
			}
			const share = (mm2: number) => ((100 * mm2) / STUDIOS / usableMm2(shelf)).toFixed(0);
			const time = (sum: number) => (sum / STUDIOS).toFixed(0);
			return `| ${name} | ${what} | ${share(one)} | ${share(first)} | ${time(ms)} | ${share(best)} | ${time(all)} |`;
		}),
	);

/** One packing of sixty pieces of mixed outlines and, of the same as boxes, every order by every rule: cold and warm, mean over the studios. */
export const packingRows = (): string[] => {
	const [, round] = SHELVES[1] as (typeof SHELVES)[number];
	const [, flat] = SHELVES[0] as (typeof SHELVES)[number];
	const mean = (run: (seed: number) => () => unknown): string => {
		let [cold, warm] = [0, 0];
		for (let seed = 1; seed <= STUDIOS; seed++) {
			const once = run(seed);
			let from = performance.now();
			once();
			cold += performance.now() - from;
			for (let i = 0; i < 20; i++) once();
			from = performance.now();
			for (let i = 0; i < 20; i++) once();
			warm += (performance.now() - from) / 20;
		}
		return `${(cold / STUDIOS).toFixed(1)} | ${(warm / STUDIOS).toFixed(1)}`;
	};
	const outlines = (shelf: Shelf) =>
		mean((seed) => {
			const templates = new Templates(shelf, 5);
			const pieces = mixed(seed);
			return () => layOutlines(pieces, { kind: "lowest", footMm: 0 }, templates);
		});
	const asBoxes = mean((seed) => {
		const all = classPieces(seed);
		return () => bestPacking(all, flat, 5, () => 0);
	});
	return [
		`| true outlines, 500 × 400 | ${outlines(flat)} |`,
		`| true outlines, round, Ø 430 | ${outlines(round)} |`,
		`| boxes, four orders by every rule | ${asBoxes} |`,
	];
};

/** Plans over 3 kilns and 14 days, mean of three made-up studios: the first and the last. */
export const planRows = (): string[] =>
	[60, 200, 400].flatMap((pieces) =>
		PLAN_NAMES.map((name) => {
			let [firstMs, allMs, firstCost, lastCost, firings, broken, left] = [0, 0, 0, 0, 0, 0, 0];
			const least = { firings: 0, broken: 0 };
			for (let seed = 1; seed <= 3; seed++) {
				const from = performance.now();
				const problem = problemOf(planStudio(seed, { pieces }));
				let rounds = 0;
				for (const { cost, figures, loads } of searchPlan(
					problem,
					PLAN_WEIGHTS[name],
					roundsFor(problem.jobs.length),
				)) {
					if (rounds++ === 0) [firstMs, firstCost] = [firstMs + performance.now() - from, firstCost + cost];
					if (rounds === roundsFor(problem.jobs.length) + 1) {
						lastCost += cost;
						firings += figures.firings;
						broken += figures.broken.length;
						left += figures.left.length;
						const fired = loads.flatMap(({ jobs }) => jobs);
						const its = atLeast(problem, fired, PLAN_WEIGHTS[name].mixBands);
						least.firings += its.firings;
						least.broken += its.broken;
					}
				}
				allMs += performance.now() - from;
			}
			const mean = (sum: number) => (sum / 3).toFixed(sum < 300 ? 1 : 0);
			return `| ${pieces} | ${PLAN_WORDS[name]} | ${mean(firstMs)} | ${mean(allMs)} | ${mean(firstCost)} | ${mean(lastCost)} | ${mean(firings)} | ${mean(least.firings)} | ${mean(broken)} | ${mean(least.broken)} | ${mean(left)} |`;
		}),
	);

const WEEKS = 13;
const ROUNDS = 20;
const WAYS: readonly [string, () => Policy][] = [
	["by hand: one tray, boxes, started at once", () => byHand],
	["planned, soonest home", () => byPlan("soonest", ROUNDS)],
	["planned, fewest firings", () => byPlan("fewest", ROUNDS)],
];

/** A quarter of a studio with two kilns: two made-up studios, quiet and crowded, loaded by hand and by plan. */
export const quarterRows = (): string[] =>
	[24, 34].flatMap((aWeek) =>
		WAYS.map(([what, way]) => {
			const all = [1, 2].map((seed) => simulateStudio(quarter(seed, WEEKS, aWeek, 2), way()));
			const mean = (of: (one: QuarterFigures) => number) => all.reduce((sum, one) => sum + of(one), 0) / all.length;
			const kept = (100 * mean(({ kept }) => kept)) / mean(({ promises }) => promises);
			const cells = [mean(({ firings }) => firings), mean(({ kwh }) => kwh), mean(({ overAnnealH }) => overAnnealH)];
			return `| ${aWeek} | ${what} | ${kept.toFixed(1)} | ${mean(({ waitedDays }) => waitedDays).toFixed(1)} | ${cells.map((cell) => cell.toFixed(0)).join(" | ")} |`;
		}),
	);

/** Glass on 500 × 400 mm, %: ours, then two packing libraries, on the same class sets. */
export const shelfPackerRows = (): string[] => {
	const shelf = (SHELVES[0] as (typeof SHELVES)[0])[1];
	const sum = { ours: 0, free: 0, straight: 0 };
	for (let seed = 1; seed <= STUDIOS; seed++) {
		const pieces = boxes(seed);
		const { laid } = bestLaid({ pieces, shelf, clearanceMm: 0, passes: PASSES });
		sum.ours += laid.reduce((mm2, { id }) => mm2 + (pieces.find((its) => its.id === id)?.form.areaMm2 ?? 0), 0);
		const others = packedByOthers(classPieces(seed), shelf);
		sum.free += others.free;
		sum.straight += others.straight;
	}
	const share = (mm2: number) => ((100 * mm2) / STUDIOS / usableMm2(shelf)).toFixed(1);
	return [
		`| ours | ${share(sum.ours)} |`,
		`| maxrects-packer | ${share(sum.free)} |`,
		`| guillotine-packer | ${share(sum.straight)} |`,
	];
};

/** One piece moved among sixty outlines: every rule asked, µs: median, 99 in 100, worst. */
export const dragRow = (): string => {
	const shelf: Shelf = {
		widthMm: 700,
		heightMm: 600,
		marginMm: 10,
		shape: "rectangle",
		posts: [{ xMm: 80, yMm: 80, acrossMm: 38 }],
	};
	const all = mixed(3);
	const { laid } = bestLaid({ pieces: all, shelf, clearanceMm: 5, passes: 0 });
	const forms = new Map(all.map(({ id, form }) => [id, form]));
	const formed = laid.slice(0, 60).map((one) => ({ ...one, form: forms.get(one.id) as Form }));
	const random = seededRandom(9);
	const held = () => {
		const one = formed[Math.floor(random() * formed.length)] as (typeof formed)[0];
		const moved = { ...one, xMm: one.xMm + 60 * (random() - 0.5), yMm: one.yMm + 60 * (random() - 0.5) };
		const from = performance.now();
		problemsOf(moved, formed, shelf, 5);
		return (performance.now() - from) * 1000;
	};
	// As in a page that was open for a while.
	for (let i = 0; i < 500; i++) held();
	const times = Array.from({ length: 5000 }, held).sort((a, b) => a - b);
	const at = (share: number) => (times[Math.min(times.length - 1, Math.floor(share * times.length))] ?? 0).toFixed(0);
	return `| ${formed.length} | ${at(0.5)} | ${at(0.99)} | ${at(1)} |`;
};
