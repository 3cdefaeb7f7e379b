import { areApart, type LaidTurned } from "./outlines/apart";
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
	const laid = all.map(laidOf);
	return all.flatMap((one, i) => [
		...wrongPlace(one, laid[i] as LaidTurned, shelf, clearanceMm),
		...all
			.slice(i + 1)
			.filter((_, k) => !areApart(laid[i] as LaidTurned, laid[i + 1 + k] as LaidTurned, clearanceMm - SLACK_MM))
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
	const held = laidOf(one);
	return [
		...wrongPlace(one, held, shelf, clearanceMm),
		...others
			.filter((other) => other.id !== one.id && !areApart(held, laidOf(other), clearanceMm - SLACK_MM))
			.map((other) => ({ kind: "near" as const, id: one.id, otherId: other.id })),
	];
}

function wrongPlace(one: PlacedForm, lies: LaidTurned, shelf: Shelf, clearanceMm: number): LayProblem[] {
	const isFree = postRings(shelf).every((post) => areApart(lies, post, clearanceMm - SLACK_MM));
	return [
		...(isOnShelf(one, shelf) ? [] : [{ kind: "edge" as const, id: one.id }]),
		...(isFree ? [] : [{ kind: "post" as const, id: one.id }]),
	];
}

const turnedOf = ({ form, turnDeg }: PlacedForm) =>
	form.turns.find((one) => one.turnDeg === turnDeg) ?? turnedBy(form.outline, turnDeg);

const laidOf = (one: PlacedForm): LaidTurned => ({ turned: turnedOf(one), xMm: one.xMm, yMm: one.yMm });

/** The box round a piece where it lies, mm. */
export function boxOf(one: PlacedForm): { minX: number; maxX: number; minY: number; maxY: number } {
	const { minX, maxX, minY, maxY } = turnedOf(one);
	return { minX: minX + one.xMm, maxX: maxX + one.xMm, minY: minY + one.yMm, maxY: maxY + one.yMm };
}

function isOnShelf(one: PlacedForm, shelf: Shelf): boolean {
	const room = roomAt({ ...shelf, marginMm: shelf.marginMm - SLACK_MM }, turnedOf(one).hull, one.yMm);
	return room !== undefined && one.xMm >= room[0] && one.xMm <= room[1];
}
