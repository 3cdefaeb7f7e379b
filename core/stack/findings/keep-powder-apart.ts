import { boundsOf } from "../../geometry/bounds";
import { intersect, offset, type Region, type Ring, subtract, thinned } from "../../geometry/region";
import { simpleParts } from "../../geometry/simple-parts";
import type { Change } from "../../kit/change";
import { type KitPart, LARGEST_KIT, type PartOf } from "../../kit/kit";
import { tidyMm } from "../../units/tidy";
import type { Lain } from "../lay";

/** Two strewn parts, or a cut and a strewn one, that lie side by side. */
interface Beside {
	a: Lain;
	b: Lain;
}

type Grains = Lain & { part: PartOf<"grains"> };
const isGrains = (lain: Lain): lain is Grains => lain.part.kind === "grains";

/** Strewn glass has no finer edge, mm. */
const EDGE_MM = 0.2;
/** Less is not strewn, mm². */
const LEAST_MM2 = 4;

/**
 * Strewn glass draws back from what it reacts with by the width of a band, and the band is strewn with neutral powder as thick. Of two
 * strewn parts the larger one draws back. Undefined where neither is strewn, or nothing of it would be left.
 * @param widthMm of the band
 */
export function powderBands(
	pairs: readonly Beside[],
	widthMm: number,
	neutralId: string,
	newId: () => string,
): Change[] | undefined {
	const left = new Map<Grains, Region>();
	const bands: KitPart[] = [];
	for (const { a, b } of pairs) {
		const back = [a, b].filter(isGrains).sort((x, y) => y.areaMm2 - x.areaMm2)[0];
		if (!back) return undefined;
		const stays = back === a ? b : a;
		const near = offset(stays.region, widthMm, EDGE_MM);
		const whole = left.get(back) ?? back.region;
		left.set(back, subtract(whole, near));
		const band = subtract(intersect(whole, near), stays.region);
		bands.push(...strewn(back.part, band, { glassId: neutralId, name: "Neutral band" }, newId));
	}
	const rest = [...left].map(([{ part }, region]) => strewn(part, region, {}, newId));
	const all = [...rest.flat(), ...bands];
	if (bands.length === 0 || rest.some((parts) => parts.length === 0) || all.some(isTooFine)) return undefined;
	return [
		{ do: "remove", partIds: [...left.keys()].map(({ id }) => id) },
		...all.map((part): Change => ({ do: "add", part })),
	];
}

const isTooFine = (part: KitPart): boolean =>
	"shape" in part && part.shape.kind === "outline" && part.shape.points.length > LARGEST_KIT.points;

/** A region as strewn parts like another one. */
const strewn = (
	like: PartOf<"grains">,
	region: Region,
	change: Partial<PartOf<"grains">>,
	newId: () => string,
): KitPart[] => simpleParts(region, LEAST_MM2).map((ring) => ({ ...like, ...change, ...outlined(ring), id: newId() }));

function outlined(ring: Ring): Pick<PartOf<"grains">, "shape" | "xMm" | "yMm" | "turnDeg"> {
	const points = thinned(ring, EDGE_MM);
	const { minX, maxX, minY, maxY } = boundsOf([points]);
	return {
		shape: { kind: "outline", points: points.map(({ x, y }) => ({ x: tidyMm(x, 0.01), y: tidyMm(y, 0.01) })) },
		xMm: (minX + maxX) / 2,
		yMm: (minY + maxY) / 2,
		turnDeg: 0,
	};
}
