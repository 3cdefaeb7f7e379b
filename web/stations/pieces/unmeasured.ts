import type { AsMade } from "@core/journey/events";

/** Where measuring begins: nothing is filled in that nobody has measured. */
export const unmeasured = (changed = ""): AsMade => ({
	widthMm: Number.NaN,
	heightMm: Number.NaN,
	thickestMm: Number.NaN,
	thinnestMm: Number.NaN,
	massG: null,
	changed,
});
