import type { KilnZone } from "../../kiln/record";
import type { Placement } from "../placement";
import type { Shelf } from "../shelf";
import { areApart, type LaidTurned } from "./apart";
import { boxOutline } from "./fired-outline";
import { type Form, turnedBy } from "./form";
import { postRings } from "./post-rings";
import { roomAt } from "./room";

/** A place that is hotter or cooler than the middle, mm from the shelf's lower left. */
export interface Uneven {
	xMm: number;
	yMm: number;
	widthMm: number;
	heightMm: number;
	offsetK: number;
}

/** Zones of a kiln's record as a load counts: from the near left corner, not from the far one. */
export const unevenOf = (zones: readonly KilnZone[], shelfHeightMm: number): Uneven[] =>
	zones.map(({ name: _, yMm, ...zone }) => ({ ...zone, yMm: shelfHeightMm - yMm - zone.heightMm }));

/** Shifts are tried in so many steps each way. */
const STEPS = 8;
/** A square millimetre of a piece's box in a place one degree off weighs as much as all pieces this much farther from the middle, mm. */
const MM_PER_MM2_K = 0.0004;

/**
 * All that is laid, moved together to where the heat is evenest: out of places known to be hotter or cooler, as near to the middle of
 * the shelf as its outline and places that are kept free let it.
 */
export function toMiddle(
	laid: readonly Placement[],
	formOf: (id: string) => Form,
	shelf: Shelf,
	clearanceMm: number,
	uneven: readonly Uneven[] = [],
	kept: readonly Uneven[] = [],
): Placement[] {
	if (laid.length === 0) return [];
	const all = laid.map((one) => {
		const form = formOf(one.id);
		const its = form.turns.find(({ turnDeg }) => turnDeg === one.turnDeg) ?? turnedBy(form.outline, one.turnDeg);
		const { xMm: x, yMm: y } = one;
		return {
			x,
			y,
			its,
			hull: its.hull,
			left: x + its.minX,
			right: x + its.maxX,
			low: y + its.minY,
			high: y + its.maxY,
		};
	});
	const most = (of: (one: (typeof all)[0]) => number) => all.reduce((max, one) => Math.max(max, of(one)), -1e9);
	const [right, left] = [most((one) => one.right), -most((one) => -one.left)];
	const [high, low] = [most((one) => one.high), -most((one) => -one.low)];
	const posts = [...postRings(shelf), ...kept.map(ringOfPlace)];
	const want = { x: shelf.widthMm / 2 - (left + right) / 2, y: shelf.heightMm / 2 - (low + high) / 2 };
	const fits = (dx: number, dy: number) =>
		all.every(({ x, y, its, hull }) => {
			const room = roomAt(shelf, hull, y + dy);
			if (room === undefined || x + dx < room[0] - 1e-9 || x + dx > room[1] + 1e-9) return false;
			return posts.every((post) => areApart({ turned: its, xMm: x + dx, yMm: y + dy }, post, clearanceMm));
		});
	const weigh = (dx: number, dy: number) =>
		Math.hypot(dx - want.x, dy - want.y) +
		MM_PER_MM2_K *
			uneven.reduce(
				(sum, zone) =>
					sum +
					Math.abs(zone.offsetK) *
						all.reduce(
							(area, one) =>
								area +
								shared(one.left + dx, one.right + dx, zone.xMm, zone.xMm + zone.widthMm) *
									shared(one.low + dy, one.high + dy, zone.yMm, zone.yMm + zone.heightMm),
							0,
						),
				0,
			);
	const span = { x: Math.max(0, shelf.widthMm - (right - left)), y: Math.max(0, shelf.heightMm - (high - low)) };
	let best = { dx: 0, dy: 0, weight: weigh(0, 0) };
	for (let i = -STEPS; i <= STEPS; i++)
		for (let k = -STEPS; k <= STEPS; k++) {
			const [dx, dy] = [want.x + (i / STEPS / 2) * span.x, want.y + (k / STEPS / 2) * span.y];
			const weight = weigh(dx, dy);
			if (weight < best.weight - 1e-9 && fits(dx, dy)) best = { dx, dy, weight };
		}
	return laid.map((one) => ({ ...one, xMm: one.xMm + best.dx, yMm: one.yMm + best.dy }));
}

const ringOfPlace = ({ xMm, yMm, widthMm, heightMm }: Uneven): LaidTurned => ({
	turned: turnedBy(boxOutline(widthMm, heightMm), 0),
	xMm: xMm + widthMm / 2,
	yMm: yMm + heightMm / 2,
});

const shared = (a0: number, a1: number, b0: number, b1: number): number =>
	Math.max(0, Math.min(a1, b1) - Math.max(a0, b0));
