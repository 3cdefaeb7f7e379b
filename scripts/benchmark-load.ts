import { type CutShape, regionOfShape } from "@core/geometry/shape";
import { simpler } from "@core/geometry/simpler";
import { layings } from "@core/loading/outlines/best-laid";
import { boxOutline } from "@core/loading/outlines/fired-outline";
import { formOf } from "@core/loading/outlines/form";
import { packShelf } from "@core/loading/pack";
import { problemOf } from "@core/loading/plan/problem";
import { roundsFor, searchPlan } from "@core/loading/plan/search";
import { PLAN_NAMES, PLAN_WEIGHTS, PLAN_WORDS } from "@core/loading/plan/weights";
import { type Shelf, usableMm2 } from "@core/loading/shelf";
import { seededRandom } from "@core/seeded-random";
import { classPieces } from "../tests/support/class-pieces";
import { planStudio } from "../tests/support/plan-studio";

/** How full a shelf becomes with sixty pieces waiting, and what plans over kilns and days come to: invented, always the same. */

const STUDIOS = 8;
const PASSES = 60;
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

/** Plans over 3 kilns and 14 days, mean of three made-up studios: the first and the last. */
export const planRows = (): string[] =>
	[60, 200, 400].flatMap((pieces) =>
		PLAN_NAMES.map((name) => {
			let [firstMs, allMs, firstCost, lastCost, firings, broken, left] = [0, 0, 0, 0, 0, 0, 0];
			for (let seed = 1; seed <= 3; seed++) {
				const from = performance.now();
				const problem = problemOf(planStudio(seed, { pieces }));
				let rounds = 0;
				for (const { cost, figures } of searchPlan(problem, PLAN_WEIGHTS[name], roundsFor(problem.jobs.length))) {
					if (rounds++ === 0) [firstMs, firstCost] = [firstMs + performance.now() - from, firstCost + cost];
					if (rounds === roundsFor(problem.jobs.length) + 1) {
						lastCost += cost;
						firings += figures.firings;
						broken += figures.broken.length;
						left += figures.left.length;
					}
				}
				allMs += performance.now() - from;
			}
			const mean = (sum: number) => (sum / 3).toFixed(sum < 300 ? 1 : 0);
			return `| ${pieces} | ${PLAN_WORDS[name]} | ${mean(firstMs)} | ${mean(allMs)} | ${mean(firstCost)} | ${mean(lastCost)} | ${mean(firings)} | ${mean(broken)} | ${mean(left)} |`;
		}),
	);
