import type { Ring } from "../geometry/region";
import { regionOfShape } from "../geometry/shape";
import type { Mould } from "../kit/mould";
import { boxOutline } from "./outlines/fired-outline";

/** What a load has to know of a mould. */
export type MouldFoot = Pick<Mould, "kind" | "opening" | "widthMm" | "heightMm" | "depthMm">;

/** A mould's wall and foot stand out round its opening, and under it, by about so much, mm. Common practice, no source. */
const WALL_MM = 8;
const FOOT_MM = 10;

/** What a mould takes of the shelf: its opening and wall, and a piece that is wider than both. */
export function mouldFootprint(mould: MouldFoot, made: { widthMm: number; heightMm: number }): Ring {
	const widthMm = Math.max(mould.widthMm + 2 * WALL_MM, made.widthMm);
	const heightMm = Math.max(mould.heightMm + 2 * WALL_MM, made.heightMm);
	if (mould.opening === "rectangle") return boxOutline(widthMm, heightMm);
	return (
		regionOfShape({
			kind: "polygon",
			sides: 32,
			diameterMm: Math.max(widthMm, heightMm) / Math.cos(Math.PI / 32),
		})[0] ?? []
	);
}

export const mouldHeightMm = ({ depthMm }: Pick<MouldFoot, "depthMm">): number => depthMm + FOOT_MM;
