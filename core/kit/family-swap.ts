import { type Glass, inUse } from "../glass/glass";
import { colourDifference } from "../glass/oklab";
import { allParts, glassIdOf, type KitDesign, type KitPart } from "./kit";

/** A glass of a kit, and the nearest one of another family. */
export interface Swap {
	from: Glass;
	to: Glass;
	/** How different it looks as fired: OKLab distance, about 0.02 is just seen. */
	difference: number;
	/** How much thicker it is, mm. */
	thickerMm: number;
}

export interface FamilySwap {
	design: KitDesign;
	swaps: Swap[];
	/** What has no partner in the other family, and stays as it is. */
	without: Glass[];
}

/** Looks further off than this are another colour, not a partner. Fitted by eye. */
const ANOTHER_COLOUR = 0.15;
/** What a millimetre of thickness, or another opacity, counts for beside a difference of colour. Fitted by eye. */
const PER_MM = 0.05;
const OTHER_OPACITY = 0.08;

/** The kit with every glass of another family than `familyId` in the nearest one of that family: form, coating, colour, thickness. */
export function swapFamily(design: KitDesign, glasses: ReadonlyMap<string, Glass>, familyId: string): FamilySwap {
	const used = [...new Set(allParts(design).flatMap((part) => glassIdOf(part) ?? []))];
	const known = used.flatMap((id) => glasses.get(id) ?? []).filter((glass) => glass.familyId !== familyId);
	const others = inUse([...glasses.values()]).filter((glass) => glass.familyId === familyId);
	const swaps = known.flatMap((from): Swap[] => {
		const to = nearest(from, others);
		if (!to) return [];
		const difference = colourDifference(from.firedColour, to.firedColour);
		return [{ from, to, difference, thickerMm: to.thicknessMm - from.thicknessMm }];
	});
	const partner = new Map(swaps.map(({ from, to }) => [from.id, to.id]));
	const swapped = (part: KitPart): KitPart =>
		"glassId" in part ? { ...part, glassId: partner.get(part.glassId) ?? part.glassId } : part;
	return {
		design: {
			...design,
			parts: design.parts.map(swapped),
			components: design.components.map((one) => ({ ...one, parts: one.parts.map(swapped) })),
			palettes: [],
		},
		swaps,
		without: known.filter(({ id }) => !partner.has(id)),
	};
}

function nearest(from: Glass, others: readonly Glass[]): Glass | undefined {
	return others
		.filter((to) => to.form === from.form && to.grade === from.grade && to.coating === from.coating)
		.map((to) => ({ to, difference: colourDifference(from.firedColour, to.firedColour) }))
		.filter(({ difference }) => difference <= ANOTHER_COLOUR)
		.map(({ to, difference }) => ({
			to,
			off:
				difference +
				PER_MM * Math.abs(to.thicknessMm - from.thicknessMm) +
				(to.opacity === from.opacity ? 0 : OTHER_OPACITY),
		}))
		.sort((a, b) => a.off - b.off || a.to.id.localeCompare(b.to.id))[0]?.to;
}
