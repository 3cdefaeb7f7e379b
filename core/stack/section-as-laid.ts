import type { Section, SectionPlace } from "./section";

/** A layer at one place of a section as it lies on the shelf. mm above it. */
interface LyingLayer {
	partId: string;
	from: number;
	mm: number;
}

/** A section as it is laid on the shelf for its firing. Lengths mm. */
export interface SectionAsLaid {
	/** From the shelf up: upside down, with its layers the other way round. */
	section: Section;
	laid: LyingLayer[][];
	/** How high it is at each place, with what carries it. */
	heightsMm: number[];
	/** Where its upper side is at each place; 0 where there is nothing. Upside down that is one plane: the back of the lowest layer. */
	upperMm: number[];
}

/** @param rests how high each part lies before the fire, mm: stiff sheet does not follow what is below it */
export function sectionAsLaid(
	section: Section,
	rests: Readonly<Record<string, number>>,
	turnedOver: boolean,
): SectionAsLaid {
	const faceUp = section.places.map(({ layers }) => lying(layers, rests));
	const heightsMm = faceUp.map((layers) => Math.max(0, ...layers.map(({ from, mm }) => from + mm)));
	if (!turnedOver) return { section, laid: faceUp, heightsMm, upperMm: heightsMm };
	const highestMm = Math.max(0, ...heightsMm);
	return {
		section: { ...section, places: section.places.map((one) => ({ ...one, layers: one.layers.toReversed() })) },
		laid: faceUp.map((layers) => layers.map(({ from, mm, ...one }) => ({ ...one, mm, from: highestMm - from - mm }))),
		heightsMm,
		upperMm: heightsMm.map((mm) => (mm > 0 ? highestMm : 0)),
	};
}

/** Each layer of a place from where it rests; what bends (thread, frit, foil) lies on what is below it. */
function lying(layers: SectionPlace["layers"], rests: Readonly<Record<string, number>>): LyingLayer[] {
	let top = 0;
	return layers.map(({ partId, mm }) => {
		const from = Math.max(rests[partId] ?? top, 0);
		top = Math.max(top, from + mm);
		return { partId, from, mm };
	});
}
