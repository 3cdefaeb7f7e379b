import { boundsOf } from "../geometry/bounds";
import { heightOf } from "./footprint";
import type { Reached } from "./heat-there";
import { layByFamily } from "./lay-by-family";
import type { TiersLaid } from "./lay-on-tiers";
import type { LayWish, LoadKiln, WaitingPiece } from "./load";
import { USUAL_LAY_PASSES } from "./outlines/best-laid";
import type { Form } from "./outlines/form";
import type { Place } from "./place";
import type { KilnPlacement } from "./placement";
import { shelvesUsed } from "./tiers";

/** Where everything lies: as it was put by hand, or as it is best laid. */
export function layLoad(
	pieces: readonly WaitingPiece[],
	forms: ReadonlyMap<string, Form>,
	kiln: LoadKiln,
	clearanceMm: number,
	{ laid, passes = USUAL_LAY_PASSES, scheduleOnly = false, shelves = 1 }: LayWish,
	reached: readonly Reached[],
): TiersLaid {
	if (laid) {
		const theirs = laid.filter(({ id }) => forms.has(id));
		const placed = new Set(theirs.map(({ id }) => id));
		return {
			laid: theirs,
			leftIds: pieces.flatMap(({ id }) => (placed.has(id) ? [] : [id])),
			shelves: shelvesUsed(theirs),
		};
	}
	if (scheduleOnly) return { laid: [], leftIds: [], shelves };
	const ranks = ranksOf(pieces.map(({ promised }) => promised));
	const ranked = pieces
		.map((one, i) => ({
			...{ id: one.id, familyId: one.familyId, form: forms.get(one.id) as Form, standsMm: heightOf(one) },
			rank: ranks[i] as number,
		}))
		.sort((a, b) => a.rank - b.rank || b.form.areaMm2 - a.form.areaMm2 || a.id.localeCompare(b.id));
	return layByFamily({ pieces: ranked, kiln, clearanceMm, passes, reached });
}

/** Of days that pieces are promised for: 0 for the first, one more for each later day, the last for no promise. */
export function ranksOf(promised: readonly (string | null | undefined)[]): number[] {
	const days = [...new Set(promised.map((day) => day ?? NEVER))].sort();
	return promised.map((day) => days.indexOf(day ?? NEVER));
}

/** After every day. */
const NEVER = "9";

export function placeOf({ id, xMm, yMm, turnDeg, shelf }: KilnPlacement, { outline }: Form): Place {
	const { widthMm, heightMm } = boundsOf([outline]);
	return { id, xMm, yMm, turnDeg, shelf, widthMm, heightMm, outline };
}
