import type { PlacedForm, Placement, ShelfPiece } from "../placement";
import type { LaidTurned } from "./apart";
import { TURN_STEP_DEG, turnedBy } from "./form";
import { CELL_MM } from "./mask";
import { type Found, findPlace, type PlaceRule } from "./places";
import { postOutline } from "./post-rings";
import { slid } from "./slid";
import type { Template, Templates } from "./templates";

export interface LaidOut {
	laid: Placement[];
	leftIds: string[];
}

/** Free squares are looked for anew after so many pieces. */
const LOOK_AFTER = 5;

/** A piece in the order of laying. */
export interface ToLay extends Pick<ShelfPiece, "id" | "form"> {
	/** Angles that are tried are a quarter turn apart, from this one on, degrees. */
	fromDeg?: number;
	/** All angles are tried. */
	everyAngle?: boolean;
}

/**
 * Lays outlines in the order given, each where the rule places it best at the best of its angles; what fits nowhere is left.
 * On a grid of 2 mm, with leaps over what is taken; every place is checked exactly before it is taken.
 */
export function layOutlines(
	all: readonly ToLay[],
	rule: PlaceRule,
	templates: Templates,
	pinned: readonly PlacedForm[] = [],
): LaidOut {
	const { shelf, clearanceMm } = templates;
	const grid = templates.ground.copy();
	const laid: Placement[] = [];
	const there: LaidTurned[] = [];
	const put = (one: LaidTurned) => {
		// Between cells: what the mask misses, the exact check finds.
		grid.take(templates.maskOf(one.turned), Math.round(one.yMm / CELL_MM), Math.round(one.xMm / CELL_MM));
		there.push(one);
	};
	for (const { form, xMm, yMm, turnDeg } of pinned) put({ turned: turnedBy(form.outline, turnDeg), xMm, yMm });
	for (const { xMm, yMm, acrossMm } of shelf.posts ?? []) put({ turned: postOutline(acrossMm), xMm, yMm });
	const leftIds: string[] = [];
	// A shelf only gets fuller: where an equal one found no place, there is none for the next.
	const full = new Set<Template>();
	const box = { minX: Number.POSITIVE_INFINITY, minY: Number.POSITIVE_INFINITY, maxX: -1, maxY: -1 };
	let since = 0;
	const task = { grid, shelf, there, clearanceMm, rule, box };
	for (const one of all) {
		const { id, form } = one;
		let best: Found | undefined;
		for (const angle of anglesOf(one)) {
			const template = templates.of(form, angle);
			if (full.has(template)) continue;
			const found = findPlace(template, task, best);
			if (found) best = found;
			else if (!best) full.add(template);
		}
		if (!best) {
			if (since > 1) {
				grid.lookForRoom();
				since = 0;
			}
			leftIds.push(id);
			continue;
		}
		const { turned, mask } = best.template;
		const { xMm, yMm, row, col } = slid(best, task);
		grid.take(mask, row, col);
		if (++since === LOOK_AFTER) {
			grid.lookForRoom();
			since = 0;
		}
		there.push({ turned, xMm, yMm });
		laid.push({ id, xMm, yMm, turnDeg: turned.turnDeg });
		box.minX = Math.min(box.minX, xMm + turned.minX);
		box.minY = Math.min(box.minY, yMm + turned.minY);
		box.maxX = Math.max(box.maxX, xMm + turned.maxX);
		box.maxY = Math.max(box.maxY, yMm + turned.maxY);
	}
	return { laid, leftIds };
}

/** The angles that are tried, by number: a quarter turn apart, fewer where a form comes to lie on itself before. */
function anglesOf({ form: { turns }, fromDeg = 0, everyAngle = false }: ToLay): Iterable<number> {
	if (everyAngle) return turns.keys();
	const first = Math.round(fromDeg / TURN_STEP_DEG);
	const quarter = 90 / TURN_STEP_DEG;
	return new Set([0, 1, 2, 3].map((k) => (first + k * quarter) % turns.length));
}
