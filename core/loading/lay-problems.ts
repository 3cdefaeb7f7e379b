import { areApart, type LaidRing, movedRing } from "./outlines/apart";
import { turnedBy } from "./outlines/form";
import { postRings } from "./outlines/post-rings";
import { roomAt } from "./outlines/room";
import type { PlacedForm, PlacedPiece } from "./placement";
import type { Shelf } from "./shelf";
import type { Tier } from "./tiers";

export type LayProblem =
	| { kind: "edge"; id: string }
	| { kind: "post"; id: string }
	/** Higher than what is free over its shelf. */
	| { kind: "tall"; id: string }
	| { kind: "near"; id: string; otherId: string };

/** A clearance that is short by less than this counts as kept, mm: places are rounded to hundredths when they are sent. */
const SLACK_MM = 0.02;

/** What is wrong with where pieces lie: over the usable shelf's edge, or nearer than the clearance to another or a post. Exact outlines. */
export function layProblems(all: readonly PlacedForm[], shelf: Shelf, clearanceMm: number): LayProblem[] {
	const rings = all.map(ringOf);
	return all.flatMap((one, i) => [
		...wrongPlace(one, rings[i] as LaidRing, shelf, clearanceMm),
		...all
			.slice(i + 1)
			.filter((_, k) => !areApart(rings[i] as LaidRing, rings[i + 1 + k] as LaidRing, clearanceMm - SLACK_MM))
			.map((other) => ({ kind: "near" as const, id: one.id, otherId: other.id })),
	]);
}

/** The same over all shelves of a kiln: each by its own posts and clear height. */
export const shelvedProblems = (
	all: readonly PlacedPiece[],
	tiers: readonly Tier[],
	clearanceMm: number,
): LayProblem[] =>
	tiers.flatMap(({ shelf, clearHeightMm }, i) => {
		const its = all.filter((one) => one.shelf === i);
		const tall = its.filter(({ standsMm }) => standsMm > clearHeightMm);
		return [...layProblems(its, shelf, clearanceMm), ...tall.map(({ id }) => ({ kind: "tall" as const, id }))];
	});

/** The same for one piece that is moved among others. */
export function problemsOf(
	one: PlacedForm,
	others: readonly PlacedForm[],
	shelf: Shelf,
	clearanceMm: number,
): LayProblem[] {
	const ring = ringOf(one);
	return [
		...wrongPlace(one, ring, shelf, clearanceMm),
		...others
			.filter((other) => other.id !== one.id && !isApart(ring, other, clearanceMm - SLACK_MM))
			.map((other) => ({ kind: "near" as const, id: one.id, otherId: other.id })),
	];
}

function wrongPlace(one: PlacedForm, ring: LaidRing, shelf: Shelf, clearanceMm: number): LayProblem[] {
	const isFree = postRings(shelf).every((post) => areApart(ring, post, clearanceMm - SLACK_MM));
	return [
		...(isOnShelf(one, shelf) ? [] : [{ kind: "edge" as const, id: one.id }]),
		...(isFree ? [] : [{ kind: "post" as const, id: one.id }]),
	];
}

/** By their boxes first: most of a shelf is far away, and its outlines are not even moved. */
function isApart(ring: LaidRing, other: PlacedForm, mm: number): boolean {
	const { minX, maxX, minY, maxY } = turnedOf(other);
	const gapX = Math.max(other.xMm + minX - ring.maxX, ring.minX - other.xMm - maxX);
	const gapY = Math.max(other.yMm + minY - ring.maxY, ring.minY - other.yMm - maxY);
	return gapX >= mm || gapY >= mm || areApart(ring, ringOf(other), mm);
}

const turnedOf = ({ form, turnDeg }: PlacedForm) =>
	form.turns.find((one) => one.turnDeg === turnDeg) ?? turnedBy(form.outline, turnDeg);

export const ringOf = (one: PlacedForm): LaidRing => movedRing(turnedOf(one), one.xMm, one.yMm);

function isOnShelf(one: PlacedForm, shelf: Shelf): boolean {
	const room = roomAt({ ...shelf, marginMm: shelf.marginMm - SLACK_MM }, turnedOf(one).hull, one.yMm);
	return room !== undefined && one.xMm >= room[0] && one.xMm <= room[1];
}
