import type { Laid } from "../lay-problems";
import type { Shelf } from "../shelf";
import { type Form, turnedBy } from "./form";
import { roomAt } from "./room";

const SHARES = [1, 0.75, 0.5, 0.25];

/** All that is laid, moved together as near to the middle of the shelf as its outline lets it: there the heat is evenest. */
export function toMiddle(laid: readonly Laid[], formOf: (id: string) => Form, shelf: Shelf): Laid[] {
	const turned = laid.map(({ id, turnDeg }) => {
		const form = formOf(id);
		return form.turns.find((one) => one.turnDeg === turnDeg) ?? turnedBy(form.outline, turnDeg);
	});
	const extreme = (of: (i: number) => number, pick: (...all: number[]) => number) => pick(...laid.map((_, i) => of(i)));
	const at = (i: number) => ({ ...(laid[i] as Laid), its: turned[i] as (typeof turned)[0] });
	if (laid.length === 0) return [];
	const middleX =
		(extreme((i) => at(i).xMm + at(i).its.minX, Math.min) + extreme((i) => at(i).xMm + at(i).its.maxX, Math.max)) / 2;
	const middleY =
		(extreme((i) => at(i).yMm + at(i).its.minY, Math.min) + extreme((i) => at(i).yMm + at(i).its.maxY, Math.max)) / 2;
	const [wantX, wantY] = [shelf.widthMm / 2 - middleX, shelf.heightMm / 2 - middleY];
	const fits = (dx: number, dy: number) =>
		laid.every(({ xMm, yMm }, i) => {
			const room = roomAt(shelf, at(i).its.hull, yMm + dy);
			return room !== undefined && xMm + dx >= room[0] - 1e-9 && xMm + dx <= room[1] + 1e-9;
		});
	const up = SHARES.find((share) => fits(0, share * wantY) || fits(share * wantX, share * wantY)) ?? 0;
	const aside = SHARES.find((share) => fits(share * wantX, up * wantY)) ?? 0;
	if (!fits(aside * wantX, up * wantY)) return [...laid];
	return laid.map((one) => ({ ...one, xMm: one.xMm + aside * wantX, yMm: one.yMm + up * wantY }));
}
