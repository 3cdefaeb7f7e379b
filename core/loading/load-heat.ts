import { mostOf } from "../extremes";
import type { Schedule } from "../firing/schedule";
import { DENSITY_G_PER_MM3 } from "../glass/constants";
import type { GlassFamily } from "../glass/family";
import type { AsMade } from "../journey/events";
import { meanThicknessMm } from "../journey/mean-thickness";
import type { KilnBody } from "../kiln/kiln";
import { type Simulation, simulateFiring } from "../kiln/simulate";
import type { Shelf } from "./shelf";

/** Heat held by shelf, posts and glass, J/kgK. Textbook, from memory. */
const GLASS_J_PER_KG_K = 900;
const SHELF_KG_PER_M2 = 27;

/** What lies in a kiln: the thickest glass, and the heat that its shelves and glass hold. */
export function loadHeat(
	loaded: readonly { asMade: AsMade }[],
	shelf: Pick<Shelf, "widthMm" | "heightMm">,
	{ bareMm = 0, shelves = 1 }: { bareMm?: number; shelves?: number } = {},
): { thicknessMm: number; loadJPerK: number } {
	const glassKg = loaded.reduce(
		(sum, { asMade }) => sum + asMade.widthMm * asMade.heightMm * meanThicknessMm(asMade) * (DENSITY_G_PER_MM3 / 1000),
		0,
	);
	const shelfKg = shelves * ((shelf.widthMm * shelf.heightMm) / 1e6) * SHELF_KG_PER_M2;
	return {
		thicknessMm: mostOf([bareMm, ...loaded.map(({ asMade }) => asMade.thickestMm)]),
		loadJPerK: (glassKg + shelfKg) * GLASS_J_PER_KG_K,
	};
}

/** The firing of a load on its kiln. */
export const simulateLoad = (
	loaded: readonly { asMade: AsMade }[],
	kiln: { body: KilnBody; shelf: Shelf },
	family: GlassFamily,
	schedule: Schedule,
	shelves = 1,
): Simulation => simulateFiring({ kiln: kiln.body, schedule, family, ...loadHeat(loaded, kiln.shelf, { shelves }) });
