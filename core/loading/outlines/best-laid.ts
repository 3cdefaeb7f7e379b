import { seededRandom } from "../../seeded-random";
import type { PlacedForm } from "../placement";
import type { Shelf } from "../shelf";
import { inBoxes } from "./in-boxes";
import { keptFree } from "./kept-free";
import { type LaidOut, layOutlines } from "./lay-outlines";
import { isBetter, type Score, scoreOf } from "./lay-score";
import type { PlaceRule } from "./places";
import { Templates } from "./templates";
import { toMiddle, type Uneven } from "./to-middle";
import { changed, LOWEST, ordersOf, type Ranked, rulesFor, type Way } from "./ways";

export interface LayTask {
	/** In the order of their promises. */
	pieces: readonly Ranked[];
	pinned?: readonly PlacedForm[];
	shelf: Shelf;
	clearanceMm: number;
	/** Layings that are tried after the usual ones. */
	passes: number;
	seed?: number;
	/** Places on the shelf that are hotter or cooler: kept free where there is room to spare. */
	uneven?: readonly Uneven[];
	/** Places where nothing may lie. */
	kept?: readonly Uneven[];
}

/** So many layings a proposal tries: at most about a second of work (docs/benchmarks.md). */
export const USUAL_LAY_PASSES = 120;

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
	const lay = (order: readonly Ranked[], rule: PlaceRule) => layOutlines(order, rule, templates, pinned);
	const isBare = pinned.length === 0 && shelf.shape === "rectangle" && !shelf.posts?.length;
	let best: LaidOut = isBare ? inBoxes(pieces, shelf, clearanceMm) : { laid: [], leftIds: pieces.map(({ id }) => id) };
	let bestScore = score(best);
	const rules = rulesFor(shelf, pieces);
	let way: Way = { order: ordersOf(pieces)[0] as Ranked[], rule: rules[0] as PlaceRule };
	for (const order of ordersOf(pieces))
		for (const rule of rules) {
			const found = lay(order, rule);
			const its = score(found);
			if (isBetter(its, bestScore)) [best, bestScore, way] = [found, its, { order, rule }];
		}
	let told = done(best);
	yield told;
	if (passes > 0 && pinned.length === 0) {
		const even = best.leftIds.length === 0 ? evenly(pieces, templates, uneven) : undefined;
		best = even ?? (best.leftIds.length > 0 ? best : closer(best, pieces, templates));
		bestScore = score(best);
		told = done(best);
		// All of them lie where the heat is even: no other order does better.
		if (even) return yield told;
	}
	const random = seededRandom(seed);
	let present = bestScore;
	for (let pass = 0; pass < passes && pieces.length > 0; pass++) {
		const next = changed(way, rules, random);
		const found = lay(next.order, next.rule);
		const its = score(found);
		if (its.firstLeft >= present.firstLeft && its.glassMm2 >= present.glassMm2 * (1 - SLIGHTLY_LESS))
			[way, present] = [next, its];
		if (isBetter(its, bestScore)) {
			[best, bestScore] = [found, its];
			told = done(best);
		}
		yield told;
	}
}

/** Halvings of what is looked for: to a hundredth of the shelf. */
const HALVINGS = 6;

/** All of the pieces on as little of the shelf as holds them: its margin grown as far as it goes. Together they are fired evenly. */
function closer(found: LaidOut, pieces: readonly Ranked[], all: Templates): LaidOut {
	const { shelf } = all;
	let best = found;
	let [low, high] = [0, Math.min(shelf.widthMm, shelf.heightMm) / 2 - shelf.marginMm];
	for (let i = 0; i < HALVINGS; i++) {
		const by = (low + high) / 2;
		const templates = all.within(by);
		const next = ordersOf(pieces)
			.slice(0, 2)
			.map((order) => layOutlines(order, LOWEST, templates))
			.find(({ leftIds }) => leftIds.length === 0);
		if (next) [best, low] = [next, by];
		else high = by;
	}
	return best;
}

/** All of the pieces where the heat is even: with every hotter or cooler place kept free. Undefined where there is no room for that. */
function evenly(pieces: readonly Ranked[], templates: Templates, uneven: readonly Uneven[]): LaidOut | undefined {
	if (uneven.length === 0) return undefined;
	const kept = uneven.map(keptFree);
	for (const order of ordersOf(pieces)) {
		const found = layOutlines(order, LOWEST, templates, kept);
		if (found.leftIds.length === 0) return found;
	}
	return undefined;
}
