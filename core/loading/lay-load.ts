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
	const days = [...new Set(pieces.map(({ promised }) => promised ?? "9"))].sort();
	const ranked = pieces
		.map((one) => ({
			...{ id: one.id, familyId: one.familyId, form: forms.get(one.id) as Form, standsMm: heightOf(one) },
			rank: days.indexOf(one.promised ?? "9"),
		}))
		.sort((a, b) => a.rank - b.rank || b.form.areaMm2 - a.form.areaMm2 || a.id.localeCompare(b.id));
	return layByFamily({ pieces: ranked, kiln, clearanceMm, passes, reached });
}

export function placeOf({ id, xMm, yMm, turnDeg, shelf }: KilnPlacement, { outline }: Form): Place {
	const { widthMm, heightMm } = boundsOf([outline]);
	return { id, xMm, yMm, turnDeg, shelf, widthMm, heightMm, outline };
}
