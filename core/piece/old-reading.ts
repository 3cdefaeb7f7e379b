import type { RouteStep } from "../kit/kit";
import type { KitReading } from "../stack/read-kit";
import type { KitShape } from "./of-journey";
import type { KitBody } from "./piece-body";

type Kept = Pick<KitReading, "bodies" | "outlines" | "outline"> & Partial<Omit<KitReading, "findings">>;

/**
 * What a kept reading says of a kit's piece. One from before core 6 knows the firing that put it together and no other: each firing
 * is taken to find the piece like that, until the kit is read again.
 * @param route the piece's own
 */
export function shapeOfReading(reading: Kept | null | undefined, route: readonly RouteStep[]): KitShape {
	if (!reading) return { bodies: [], outlines: [] };
	const { bodies, outlines, outline } = reading;
	if (bodies && bodies.length > 0) return { bodies, outlines: outlines ?? [outline ?? null] };
	const { widthMm = 0, heightMm = 0, areaMm2 = 0, meanMm = 0, massG = 0, thickestMm = 0, thinnestMm = 0 } = reading;
	if (thickestMm <= 0) return { bodies: [], outlines: [] };
	const old = route.map(
		({ level, turnedOver }, i): KitBody => ({
			...{
				level,
				turnedOver: turnedOver === true,
				opaqueBelow: false,
				widthMm,
				heightMm,
				areaMm2,
				meanMm,
				massG,
				thickestMm,
				thinnestMm,
			},
			...{ acrossMm: Math.max(widthMm, heightMm), narrowMm: Math.min(widthMm, heightMm), bodies: 1 },
			...{ insertMm: 0, aroundMm: 0, highMm: thickestMm },
			trappedSpanMm: i === 0 ? (reading.trappedSpanMm ?? 0) : 0,
			blackBesideWhite: reading.blackBesideWhite ?? false,
			...{ fired: i > 0, addsGlass: false, leaves: 1 },
		}),
	);
	return { bodies: old, outlines: [outline ?? null] };
}
