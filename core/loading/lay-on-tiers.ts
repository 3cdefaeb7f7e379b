import { leastOf } from "../extremes";
import { bestLaid } from "./outlines/best-laid";
import type { Uneven } from "./outlines/to-middle";
import type { KilnPlacement, PlacedPiece, ShelfPiece } from "./placement";
import { usableMm2 } from "./shelf";
import { type KilnShelves, mostTiers, shelvesUsed, type Tier, tiersOf } from "./tiers";

interface TierTask {
	/** In the order of their promises. */
	pieces: readonly ShelfPiece[];
	/** What lies already and stays. */
	pinned?: readonly PlacedPiece[];
	kiln: KilnShelves;
	clearanceMm: number;
	/** Orders that are tried on each shelf after the usual ones. */
	passes: number;
	/** Another one finds other layings. */
	seed?: number | undefined;
	/** Places of a shelf where nothing may lie; undefined: nowhere on it. */
	barred(tier: Tier): readonly Uneven[] | undefined;
}

export interface TiersLaid {
	laid: KilnPlacement[];
	leftIds: string[];
	/** How many shelves the kiln is loaded with. */
	shelves: number;
}

/** Pieces on as few of a kiln's shelves as hold them; what no number of shelves holds is left, whoever is promised first last. */
export function layOnTiers(task: TierTask): TiersLaid {
	const { pieces, kiln, pinned = [] } = task;
	const glassMm2 = pieces.reduce((sum, { form }) => sum + form.areaMm2, 0);
	let best: TiersLaid | undefined;
	for (let used = shelvesUsed(pinned); used <= mostTiers(kiln); used++) {
		const isHopeless = glassMm2 > used * usableMm2(kiln.shelf) && used < mostTiers(kiln);
		if (isHopeless) continue;
		const found = layOver(tiersOf(kiln, used), task);
		if (!best || isFuller(found, best, pieces)) best = found;
		if (best.leftIds.length === 0) break;
	}
	return best ?? { laid: [], leftIds: pieces.map(({ id }) => id), shelves: 1 };
}

/** The lowest room first: tall pieces keep theirs. */
function layOver(
	tiers: readonly Tier[],
	{ pieces, pinned = [], clearanceMm, passes, seed = 1, kiln: { uneven = [] }, barred }: TierTask,
): TiersLaid {
	let left = [...pieces];
	const laid: KilnPlacement[] = [];
	const order = [...tiers.keys()].sort((a, b) => clearOf(tiers, a) - clearOf(tiers, b) || a - b);
	for (const shelf of order) {
		const tier = tiers[shelf] as Tier;
		const kept = barred(tier);
		const its = kept ? left.filter(({ standsMm }) => standsMm <= tier.clearHeightMm) : [];
		if (its.length === 0) continue;
		const found = bestLaid({
			...{ pieces: its, shelf: tier.shelf, clearanceMm, passes, seed, uneven, kept: kept ?? [] },
			pinned: pinned.filter((one) => one.shelf === shelf),
		});
		laid.push(...found.laid.map((one) => ({ ...one, shelf })));
		const placed = new Set(found.laid.map(({ id }) => id));
		left = left.filter(({ id }) => !placed.has(id));
	}
	return { laid, leftIds: left.map(({ id }) => id), shelves: shelvesUsed([...laid, ...pinned]) };
}

const clearOf = (tiers: readonly Tier[], i: number): number => tiers[i]?.clearHeightMm ?? 0;

/** Whoever is promised first is left out last; then by the glass that is left. */
export function isFuller(a: TiersLaid, b: TiersLaid, pieces: readonly ShelfPiece[]): boolean {
	const of = ({ leftIds }: TiersLaid) => {
		const left = pieces.filter(({ id }) => leftIds.includes(id));
		return {
			firstLeft: leastOf(left.map(({ rank }) => rank)),
			leftMm2: left.reduce((sum, { form }) => sum + form.areaMm2, 0),
		};
	};
	const [mine, theirs] = [of(a), of(b)];
	return mine.firstLeft !== theirs.firstLeft ? mine.firstLeft > theirs.firstLeft : mine.leftMm2 < theirs.leftMm2 - 1e-6;
}
