import { mostOf } from "../extremes";
import type { Schedule } from "../firing/schedule";
import type { GlassFamily } from "../glass/family";
import type { KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import type { PieceBody } from "../piece/piece-body";
import type { Shelf } from "./shelf";

/** Heat held by shelf, posts and glass, J/kgK. Textbook, from memory. */
const GLASS_J_PER_KG_K = 900;
const SHELF_KG_PER_M2 = 27;

/** What lies in a kiln, as far as its curve is concerned: thickest glass (mm), heat that shelves and glass hold (J/K), glass on moulds. */
export interface LoadHeat {
	thicknessMm: number;
	loadJPerK: number;
	onMould: boolean;
}

interface Heavy {
	body: Pick<PieceBody, "massG" | "thickestMm" | "insertMm">;
}

/** What lies in a kiln: the thickest glass, and the heat that its shelves and glass hold. */
export function loadHeat(
	loaded: readonly Heavy[],
	shelf: Pick<Shelf, "widthMm" | "heightMm">,
	{ bareMm = 0, shelves = 1 }: { bareMm?: number; shelves?: number } = {},
): Omit<LoadHeat, "onMould"> {
	const glassKg = loaded.reduce((sum, { body }) => sum + body.massG / 1000, 0);
	const shelfKg = shelves * ((shelf.widthMm * shelf.heightMm) / 1e6) * SHELF_KG_PER_M2;
	return {
		thicknessMm: mostOf([bareMm, ...loaded.map(({ body }) => body.thickestMm + (body.insertMm ?? 0))]),
		loadJPerK: (glassKg + shelfKg) * GLASS_J_PER_KG_K,
	};
}

/** The firing of a load on its kiln. */
export const simulateLoad = (
	loaded: readonly Heavy[],
	kiln: { body: KilnBody; shelf: Shelf },
	family: GlassFamily,
	schedule: Schedule,
	shelves = 1,
): Simulation => simulateFiring({ kiln: kiln.body, schedule, family, ...loadHeat(loaded, kiln.shelf, { shelves }) });
