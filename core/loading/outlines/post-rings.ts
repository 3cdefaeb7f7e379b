import type { Shelf } from "../shelf";
import type { LaidTurned } from "./apart";
import { type Turned, turnedBy } from "./form";

const CORNERS = 16;

/** A post from above: round, with corners just outside. */
export function postOutline(acrossMm: number): Turned {
	const r = acrossMm / 2 / Math.cos(Math.PI / CORNERS);
	const at = (i: number) => ({
		x: r * Math.cos((2 * Math.PI * i) / CORNERS),
		y: r * Math.sin((2 * Math.PI * i) / CORNERS),
	});
	return turnedBy(
		Array.from({ length: CORNERS }, (_, i) => at(i)),
		0,
	);
}

/** What stands on a shelf, where it stands. */
export const postRings = ({ posts = [] }: Pick<Shelf, "posts">): LaidTurned[] =>
	posts.map(({ xMm, yMm, acrossMm }) => ({ turned: postOutline(acrossMm), xMm, yMm }));
