import type { Point } from "../geometry/region";
import type { Mould } from "./mould";

/** Glass that hangs over the edge of a form goes down this many times as far as it goes out. Fitted to how drapes look. */
const DRAPE_SLOPE = 2;

/**
 * How high (mm over its lowest place) slumped glass lies at a place, measured from the middle of the mould: in a dish a
 * shallow bowl up to the rim, over a form flat on top and down its sides, over a stand
 * one curve up and one down on either side of its middle. What has no depth is flat, and so is one to cast in. An estimate for drawings.
 */
export function slumpedHeightMm({ kind, opening, widthMm, heightMm, depthMm }: Mould, { x, y }: Point): number {
	if (kind === "frame" || kind === "texture" || kind === "ring") return 0;
	const [across, up] = [Math.abs(x) / (widthMm / 2), Math.abs(y) / (heightMm / 2)];
	const out = opening === "round" ? Math.hypot(across, up) : Math.max(across, up);
	if (kind === "stand") return (depthMm / 2) * (1 + Math.cos(2 * Math.PI * Math.min(1, across)));
	if (kind === "drape") {
		const beyondMm = Math.max(0, out - 1) * (Math.min(widthMm, heightMm) / 2);
		return Math.max(0, depthMm - DRAPE_SLOPE * beyondMm);
	}
	return depthMm * Math.min(1, out) ** 2;
}
