import type { ShelfPiece } from "../placement";
import type { Shelf } from "../shelf";
import { TURN_STEP_DEG } from "./form";
import type { ToLay } from "./lay-outlines";
import type { PlaceRule } from "./places";

export type Ranked = Pick<ShelfPiece, "rank"> & ToLay;

/** An order of pieces, each with an angle of its own, and where the next one is put. */
export interface Way {
	order: readonly Ranked[];
	rule: PlaceRule;
}

export const LOWEST: PlaceRule = { kind: "lowest", footMm: 0 };
/** Shares of the tallest piece: on a shelf that is not a rectangle the first row begins so far above the foot, where it is wide enough. */
const FEET = [0, 0.3, 0.6];
/** How often a piece is tried at another angle than a quarter turn, and all by another rule. */
const TURNED = 0.3;
const OTHER_RULE = 0.1;

/** Orders that are tried first: by size, as promised, by the longer and the shorter side, and what fills its box before what does not. */
export function ordersOf(pieces: readonly Ranked[]): Ranked[][] {
	const widest = ({ form }: Ranked) => form.turns[0] as NonNullable<(typeof form.turns)[0]>;
	const by = (size: (one: Ranked) => number) =>
		[...pieces].sort((a, b) => size(b) - size(a) || a.form.key.localeCompare(b.form.key));
	const sides = (one: Ranked) => {
		const { minX, maxX, minY, maxY } = widest(one);
		return [maxX - minX, maxY - minY] as const;
	};
	const compact = (one: Ranked) => {
		const [w, h] = sides(one);
		return one.form.areaMm2 / (w * h);
	};
	return [
		by(({ form }) => form.areaMm2),
		[...pieces],
		by((one) => Math.max(...sides(one))),
		by((one) => Math.min(...sides(one))),
		by((one) => one.form.areaMm2 * compact(one)),
		by(compact),
	];
}

/** All rules; on a shelf that is not a rectangle the first row is tried at some heights above its foot. */
export function rulesFor(shelf: Shelf, pieces: readonly Ranked[]): PlaceRule[] {
	const tallest = pieces.reduce(
		(most, { form }) => Math.max(most, ...form.turns.map(({ maxY, minY }) => maxY - minY)),
		0,
	);
	const feet = shelf.shape === "rectangle" ? [0] : FEET.map((share) => share * tallest);
	return [
		...feet.flatMap((footMm): PlaceRule[] => [
			{ kind: "lowest", footMm },
			{ kind: "top", footMm },
		]),
		{ kind: "middle" },
		{ kind: "diagonal" },
		{ kind: "box" },
	];
}

/** One or two pieces at other places in the order, rather early ones; at times one at another angle, or all by another rule. */
export function changed({ order, rule }: Way, rules: readonly PlaceRule[], random: () => number): Way {
	const next = [...order];
	const any = () => Math.floor(random() * next.length);
	const early = () => Math.floor(random() ** 1.5 * next.length);
	for (let n = 1 + Math.floor(random() * 2); n > 0; n--) next.splice(early(), 0, ...next.splice(any(), 1));
	if (random() < TURNED) {
		const at = any();
		next[at] = { ...(next[at] as Ranked), fromDeg: TURN_STEP_DEG * Math.floor(random() * (90 / TURN_STEP_DEG)) };
	}
	return {
		order: next,
		rule: random() < OTHER_RULE ? (rules[Math.floor(random() * rules.length)] as PlaceRule) : rule,
	};
}
