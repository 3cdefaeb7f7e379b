import { boundsOf } from "../../geometry/bounds";
import { grown } from "../../geometry/grown";
import type { Ring } from "../../geometry/region";
import { centred } from "../../geometry/shape";
import { simpler } from "../../geometry/simpler";

/** A box round the origin as an outline, counter-clockwise. mm */
export const boxOutline = (widthMm: number, heightMm: number): Ring => [
	{ x: -widthMm / 2, y: -heightMm / 2 },
	{ x: widthMm / 2, y: -heightMm / 2 },
	{ x: widthMm / 2, y: heightMm / 2 },
	{ x: -widthMm / 2, y: heightMm / 2 },
];

/**
 * What a piece covers after firing, round the middle of its box: the outline of its kit stretched to the size that was measured,
 * grown by as much as its edge will move outwards; its box where there is no kit.
 * @param kitOutline counter-clockwise, as laid up
 * @param edgeMm how far the edge moves outwards; drawing in frees no room
 */
export function firedOutline(
	kitOutline: Ring | undefined,
	made: { widthMm: number; heightMm: number },
	edgeMm: number,
): Ring {
	const laid = kitOutline ? stretched(kitOutline, made) : boxOutline(made.widthMm, made.heightMm);
	return centred(grown(laid, Math.max(0, edgeMm)));
}

function stretched(outline: Ring, { widthMm, heightMm }: { widthMm: number; heightMm: number }): Ring {
	const box = boundsOf([outline]);
	const [sx, sy] = [widthMm / (box.widthMm || 1), heightMm / (box.heightMm || 1)];
	return simpler(centred(outline).map(({ x, y }) => ({ x: x * sx, y: y * sy })));
}
