import { mostOf } from "../extremes";
import { LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { groupBy } from "../group-by";
import { type Body, isLoose } from "./bodies";
import type { Heights, OwnHeights } from "./effective-thickness";
import type { Lain } from "./lay";
import { levelledShare } from "./profile";
import { reliefOf } from "./relief";
import { reachedBy, type Stack, type StackColumn } from "./stack";
import { isHeldBy } from "./walls";

/** What share of its relief, 0–1, so much flow leaves to some of the glass of a stack. */
export function reliefLeft(stack: Stack, glass: readonly Lain[], flow: number): number {
	const { beforeMm, leftMm } = reliefOf({ ...stack, glass: [...glass] }, flow);
	return beforeMm > 0 ? Math.min(1, leftMm / beforeMm) : 1 - levelledShare(flow);
}

const known = new WeakMap<Stack, Found>();

/** What a firing finds, and what a caliper reads of it before: frit still loose. mm */
interface Found extends Heights {
	laidThickestMm: number;
	laidThinnestMm: number;
}

/**
 * How high the glass stands that a firing finds: as laid where it is cold; what was fired before, as far as its relief is left by the
 * heat it had, with what is laid on it now. An estimate.
 */
export function heightsFound(stack: Stack): Found {
	const before = known.get(stack);
	if (before) return before;
	const found = reckoned(stack);
	known.set(stack, found);
	return found;
}

function reckoned(stack: Stack): Found {
	const columns = stack.columns.filter(({ mm }) => mm > 0);
	const isOld = stack.isLater || stack.glass.some(({ fused }) => fused);
	const left = isOld ? leftByFirings(stack) : [];
	const placesOf = (some: readonly StackColumn[]): readonly HeightThere[] =>
		isOld ? throughFirings(stack, some, left) : some;
	const bodies = apartOnPurpose(stack, columns);
	const each = bodies.map((its) => ({ ...its, places: placesOf(its.columns) }));
	const places = each.flatMap((its) => its.places);
	const looseBy = each.flatMap((its) => its.columns.map((column) => looseOf(stack, column)));
	const laid = places.map((place, i) => ({ ...place, looseMm: looseBy[i] as number }));
	const alone = distinct(
		each.map((its) => ({
			...{ ...heightsOf(its.places), meanMm: meanOf(its.places) },
			...{ ...pocketOf(its.columns), narrowMm: narrowOf(its.bodies) },
		})),
	);
	return {
		...heightsOf(places),
		...(alone.length > 1 && { alone }),
		laidThickestMm: mostOf(laid.map(({ peakMm, looseMm }) => peakMm + looseMm)),
		laidThinnestMm: reachedBy(
			laid.map(({ areaMm2, mm, looseMm }) => ({ areaMm2, mm: mm + looseMm })),
			0.95,
		),
		...{ ...pocketOf(columns), narrowMm: narrowOf(stack.bodies) },
	};
}

interface Apart {
	bodies: readonly Body[];
	columns: readonly StackColumn[];
}

/**
 * What never holds together, because it is meant to come out by itself or lies in a wall of its own. Everything else is one, as it is
 * where one lies over another: what is annealed as one body is never annealed for less.
 */
function apartOnPurpose({ bodies, walls }: Stack, columns: readonly StackColumn[]): Apart[] {
	const isMeant = (body: Body) => isLoose(body) || walls.some((wall) => isHeldBy(wall, body.parts));
	const whole = [{ bodies, columns }];
	if (bodies.length < 2 || bodies.filter((body) => !isMeant(body)).length > 1) return whole;
	const bodyOf = new Map(bodies.flatMap((body) => body.parts.map((part) => [part, body] as const)));
	const its = groupBy(columns, ({ parts }) => {
		const there = new Set(parts.flatMap((part) => (part.glassMm > 0 ? (bodyOf.get(part) ?? []) : [])));
		return there.size === 1 ? [...there][0] : undefined;
	});
	return its.has(undefined) ? whole : [...its].map(([body, own]) => ({ bodies: body ? [body] : [], columns: own }));
}

/** Those that differ from each other by what a caliper reads. */
const distinct = (all: readonly OwnHeights[]): OwnHeights[] => [
	...new Map(
		all.map((one) => [
			Object.values(one)
				.map((mm) => mm.toFixed(2))
				.join(" "),
			one,
		]),
	).values(),
];

const heightsOf = (places: readonly HeightThere[]) => ({
	thickestMm: mostOf(places.map(({ peakMm }) => peakMm)),
	thinnestMm: reachedBy(
		places.map(({ areaMm2, mm }) => ({ areaMm2, mm })),
		0.95,
	),
});

/** Over the area they cover, mm. */
const meanOf = (places: readonly Pick<HeightThere, "areaMm2" | "mm">[]): number =>
	places.reduce((sum, one) => sum + one.areaMm2 * one.mm, 0) / (places.reduce((sum, one) => sum + one.areaMm2, 0) || 1);

/** By how much what is laid cold stands higher than it melts, mm: frit is loose, a thread round. */
const looseOf = ({ isLater, firing }: Stack, { parts }: StackColumn): number =>
	isLater
		? 0
		: parts.reduce(
				(sum, { part, glassMm, peakMm, bulkMm }) =>
					glassMm > 0 && part.firing === firing ? sum + Math.max(0, bulkMm - peakMm) : sum,
				0,
			);

interface HeightThere {
	areaMm2: number;
	/** Of glass, and the same with domes by their peak. */
	mm: number;
	peakMm: number;
}

/** What each firing before this one left of the relief that lay there, 0–1; undefined where nothing lay. */
const leftByFirings = (stack: Stack): (number | undefined)[] =>
	stack.design.route.slice(0, stack.firing).map(({ level }, i) => {
		const lying = stack.glass.filter(({ part }) => part.firing <= i);
		return lying.length === 0 ? undefined : reliefLeft(stack, lying, LEVEL_AIM[level]);
	});

/** Glass of each column as the firing finds it: each firing before levels what lay there by then, and the next is laid on that. */
function throughFirings(
	stack: Stack,
	columns: readonly StackColumn[],
	leftBy: readonly (number | undefined)[],
): HeightThere[] {
	const { firing } = stack;
	const places: HeightThere[] = columns.map(({ areaMm2 }) => ({ areaMm2, mm: 0, peakMm: 0 }));
	for (let i = 0; i <= firing; i++) {
		columns.forEach(({ parts }, at) => {
			const place = places[at] as HeightThere;
			for (const { part, glassMm, peakMm } of parts) {
				if (part.firing !== i) continue;
				place.mm += glassMm;
				place.peakMm += peakMm;
			}
		});
		const left = leftBy[i];
		if (left === undefined) continue;
		const covered = places.filter(({ mm }) => mm > 0);
		const meanMm = meanOf(covered);
		for (const place of covered) {
			place.peakMm = meanMm + (place.peakMm - meanMm) * left;
			place.mm = meanMm + (place.mm - meanMm) * left;
		}
	}
	return places;
}

/** The thickest insert with the glass right below and above it, mm. */
function pocketOf(columns: readonly StackColumn[]): { insertMm: number; aroundMm: number } {
	let pocket = { insertMm: 0, aroundMm: 0 };
	for (const { insertMm, parts } of columns) {
		if (insertMm === 0) continue;
		const glass = parts.map(({ glassMm, part }) => ({
			glassMm,
			isInsert: part.kind === "fibre" && part.use === "insert",
		}));
		const [first, last] = [
			glass.findIndex(({ isInsert }) => isInsert),
			glass.findLastIndex(({ isInsert }) => isInsert),
		];
		const below = glass.slice(0, first).findLast(({ glassMm }) => glassMm > 0)?.glassMm ?? 0;
		const above = glass.slice(last + 1).find(({ glassMm }) => glassMm > 0)?.glassMm ?? 0;
		if (insertMm + below + above > pocket.insertMm + pocket.aroundMm) pocket = { insertMm, aroundMm: below + above };
	}
	return pocket;
}

/** Narrower side of the widest body of glass, mm. */
const narrowOf = (bodies: readonly Body[]): number =>
	mostOf(
		bodies.map(({ parts }) => {
			const { widthMm, heightMm } = boundsOf(parts.flatMap(({ region }) => region));
			return Math.min(widthMm, heightMm);
		}),
		0,
	);
