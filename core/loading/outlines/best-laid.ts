import { leastOf } from "../../extremes";
import { seededRandom } from "../../seeded-random";
import { bestPacking } from "../best-packing";
import type { PlacedForm, Placement, ShelfPiece } from "../placement";
import type { Shelf } from "../shelf";
import { keptFree } from "./kept-free";
import { type LaidOut, type LayRule, layOutlines } from "./lay-outlines";
import { Templates } from "./templates";
import { toMiddle, type Uneven } from "./to-middle";

type Ranked = Pick<ShelfPiece, "id" | "form" | "rank">;

export interface LayTask {
	/** In the order of their promises. */
	pieces: readonly Ranked[];
	pinned?: readonly PlacedForm[];
	shelf: Shelf;
	clearanceMm: number;
	/** Orders that are tried after the usual ones. */
	passes: number;
	seed?: number;
	/** Places on the shelf that are hotter or cooler: kept free where there is room to spare. */
	uneven?: readonly Uneven[];
	/** Places where nothing may lie. */
	kept?: readonly Uneven[];
}

/** So many orders a proposal tries: about half a second of work (docs/benchmarks.md). */
export const USUAL_LAY_PASSES = 60;

/** Quarter turns find most; the other angles take four times as long. */
const FINE_DEG = 15;
const QUARTER_DEG = 90;
/** On a shelf that is not a rectangle the first row is tried so many heights above the foot. */
const FEET = 5;
/** A walk through orders goes on from one that covers so much less, share. */
const SLIGHTLY_LESS = 0.004;

/**
 * The best of many layings on one shelf: whoever is promised first is left out last, then the most glass, then the closest together,
 * drawn to the middle of the shelf. Boxes win on rectangles, outlines elsewhere: both are tried. Counted passes: the same task
 * gives the same laying everywhere.
 */
export function bestLaid(task: LayTask): LaidOut {
	let best: LaidOut | undefined;
	for (best of layings(task));
	return best ?? { laid: [], leftIds: [] };
}

/** What is there before anything is laid. */
const takenIn = ({ pinned = [], kept = [] }: LayTask): PlacedForm[] => [...pinned, ...kept.map(keptFree)];

/** The best so far after every pass. */
export function* layings(task: LayTask): Generator<LaidOut> {
	const { pieces, shelf, clearanceMm, passes, seed = 1, uneven = [] } = task;
	const pinned = takenIn(task);
	const templates = new Templates(shelf, clearanceMm);
	const known = new Map([...pieces, ...pinned].map((one) => [one.id, one]));
	const score = (out: LaidOut): Score => scoreOf(out, known as ReadonlyMap<string, Ranked>);
	const done = (out: LaidOut): LaidOut => ({
		...out,
		laid:
			(task.pinned?.length ?? 0) > 0
				? out.laid
				: toMiddle(out.laid, (id) => (known.get(id) as Ranked).form, shelf, clearanceMm, uneven, task.kept),
	});
	const lay = (order: readonly Ranked[], rule: LayRule) => layOutlines(order, rule, templates, pinned);
	const isBare = pinned.length === 0 && shelf.shape === "rectangle" && !shelf.posts?.length;
	let best: LaidOut = isBare ? inBoxes(pieces, shelf, clearanceMm) : { laid: [], leftIds: pieces.map(({ id }) => id) };
	let bestScore = score(best);
	let order = ordersOf(pieces)[0] as Ranked[];
	const feet = feetOf(shelf, pieces);
	for (const usual of ordersOf(pieces))
		for (const footMm of feet) {
			const found = lay(usual, { everyDeg: QUARTER_DEG, footMm });
			const its = score(found);
			if (isBetter(its, bestScore)) [best, bestScore, order] = [found, its, usual];
		}
	let told = done(best);
	yield told;
	if (passes > 0 && pinned.length === 0) {
		const even = best.leftIds.length === 0 ? evenly(pieces, templates, uneven) : undefined;
		best = even ?? settled(best, task, score);
		bestScore = score(best);
		told = done(best);
		// All of them lie where the heat is even: no other order does better.
		if (even) return yield told;
	}
	const random = seededRandom(seed);
	let present = bestScore;
	for (let pass = 0; pass < passes; pass++) {
		const next = moved(order, random);
		const everyDeg = random() < 0.3 ? FINE_DEG : QUARTER_DEG;
		const found = lay(next, { everyDeg, footMm: feet[Math.floor(random() * feet.length)] ?? 0 });
		const its = score(found);
		if (its.firstLeft >= present.firstLeft && its.glassMm2 >= present.glassMm2 * (1 - SLIGHTLY_LESS))
			[order, present] = [next, its];
		if (isBetter(its, bestScore)) {
			[best, bestScore] = [found, its];
			told = done(best);
		}
		yield told;
	}
}

/** In boxes where that covers more; where nothing is left over, as close together as it goes. */
function settled(found: LaidOut, { pieces, shelf, clearanceMm }: LayTask, score: (out: LaidOut) => Score): LaidOut {
	const mayBox = shelf.shape !== "rectangle" && !shelf.posts?.length;
	const boxed = mayBox ? inBoxes(pieces, shelf, clearanceMm) : found;
	const best = isBetter(score(boxed), score(found)) ? boxed : found;
	return best.leftIds.length > 0 ? best : closer(best, pieces, shelf, clearanceMm);
}

/** Halvings of what is looked for: to a hundredth of the shelf. */
const HALVINGS = 6;

/** All of the pieces on as little of the shelf as holds them: its margin grown as far as it goes. Together they are fired evenly. */
function closer(all: LaidOut, pieces: readonly Ranked[], shelf: Shelf, clearanceMm: number): LaidOut {
	let best = all;
	let [low, high] = [0, Math.min(shelf.widthMm, shelf.heightMm) / 2 - shelf.marginMm];
	for (let i = 0; i < HALVINGS; i++) {
		const by = (low + high) / 2;
		const templates = new Templates({ ...shelf, marginMm: shelf.marginMm + by }, clearanceMm);
		const found = ordersOf(pieces)
			.slice(0, 2)
			.map((order) => layOutlines(order, { everyDeg: QUARTER_DEG, footMm: 0 }, templates))
			.find(({ leftIds }) => leftIds.length === 0);
		if (found) [best, low] = [found, by];
		else high = by;
	}
	return best;
}

/** All of the pieces where the heat is even: with every hotter or cooler place kept free. Undefined where there is no room for that. */
function evenly(pieces: readonly Ranked[], templates: Templates, uneven: readonly Uneven[]): LaidOut | undefined {
	if (uneven.length === 0) return undefined;
	const kept = uneven.map(keptFree);
	for (const order of ordersOf(pieces)) {
		const found = layOutlines(order, { everyDeg: QUARTER_DEG, footMm: 0 }, templates, kept);
		if (found.leftIds.length === 0) return found;
	}
	return undefined;
}

interface Score {
	firstLeft: number;
	glassMm2: number;
	/** Mean square distance from their middle, mm². */
	spreadMm2: number;
}

function scoreOf({ laid, leftIds }: LaidOut, known: ReadonlyMap<string, Ranked>): Score {
	const firstLeft = leastOf(leftIds.map((id) => known.get(id)?.rank ?? 0));
	const n = Math.max(1, laid.length);
	const [mx, my] = [laid.reduce((sum, { xMm }) => sum + xMm, 0) / n, laid.reduce((sum, { yMm }) => sum + yMm, 0) / n];
	return {
		firstLeft,
		glassMm2: laid.reduce((sum, { id }) => sum + (known.get(id)?.form.areaMm2 ?? 0), 0),
		spreadMm2: laid.reduce((sum, { xMm, yMm }) => sum + (xMm - mx) ** 2 + (yMm - my) ** 2, 0) / n,
	};
}

function isBetter(a: Score, b: Score): boolean {
	if (a.firstLeft !== b.firstLeft) return a.firstLeft > b.firstLeft;
	if (Math.abs(a.glassMm2 - b.glassMm2) > 1e-3) return a.glassMm2 > b.glassMm2;
	return a.spreadMm2 < b.spreadMm2 * 0.98;
}

function ordersOf(pieces: readonly Ranked[]): Ranked[][] {
	const widest = ({ form }: Ranked) => form.turns[0] as NonNullable<(typeof form.turns)[0]>;
	const by = (size: (one: Ranked) => number) =>
		[...pieces].sort((a, b) => size(b) - size(a) || a.form.key.localeCompare(b.form.key));
	const sides = (one: Ranked) => {
		const { minX, maxX, minY, maxY } = widest(one);
		return [maxX - minX, maxY - minY] as const;
	};
	return [
		by(({ form }) => form.areaMm2),
		[...pieces],
		by((one) => Math.max(...sides(one))),
		by((one) => Math.min(...sides(one))),
	];
}

function feetOf(shelf: Shelf, pieces: readonly Ranked[]): number[] {
	if (shelf.shape === "rectangle") return [0];
	const tallest = pieces.reduce(
		(most, { form }) => Math.max(most, ...form.turns.map(({ maxY, minY }) => maxY - minY)),
		0,
	);
	return Array.from({ length: FEET }, (_, i) => (tallest * i) / FEET);
}

/** The order with one to three pieces at other places. */
function moved(order: readonly Ranked[], random: () => number): Ranked[] {
	const next = [...order];
	const any = () => Math.floor(random() * next.length);
	for (let n = 1 + Math.floor(random() * 3); n > 0; n--) next.splice(any(), 0, ...next.splice(any(), 1));
	return next;
}

/** The same as boxes: what lies in boxes that are apart is apart. */
function inBoxes(pieces: readonly Ranked[], shelf: Shelf, clearanceMm: number): LaidOut {
	const rank = new Map(pieces.map((one) => [one.id, one.rank]));
	const boxes = pieces.map(({ id, form }) => {
		const { minX, maxX, minY, maxY } = form.turns[0] as (typeof form.turns)[0];
		return { id, widthMm: maxX - minX, heightMm: maxY - minY };
	});
	const { places, left } = bestPacking(boxes, shelf, clearanceMm, (id) => rank.get(id) ?? 0);
	return {
		laid: places.map(
			({ id, xMm, yMm, widthMm, heightMm, turned }): Placement => ({
				id,
				xMm: xMm + widthMm / 2,
				yMm: yMm + heightMm / 2,
				turnDeg: turned ? QUARTER_DEG : 0,
			}),
		),
		leftIds: left.map(({ id }) => id),
	};
}
