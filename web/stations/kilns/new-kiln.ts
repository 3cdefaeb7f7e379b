import type { KilnForm } from "@contract/documents/kiln";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { NEW_ELEMENTS, USUAL_UPKEEP } from "@core/kiln/record";

/** A kiln that nobody has measured yet. @param known what is known of it */
export const newKiln = (id: string, name: string, known: Partial<KilnForm> = {}): KilnForm => ({
	id,
	name,
	kind: "electric",
	doorSide: "top",
	shelfShape: "rectangle",
	shelfWidthMm: 400,
	shelfHeightMm: 400,
	marginMm: 15,
	clearHeightMm: 150,
	maxC: 900,
	maxSegments: 12,
	body: DEFAULT_KILN,
	plateW: null,
	zones: [],
	fixtures: [],
	upper: [],
	elements: { fittedOn: null, dueFirings: NEW_ELEMENTS.dueFirings },
	upkeep: USUAL_UPKEEP.map(({ what, everyFirings }) => ({ what, everyFirings })),
	shelves: [],
	line: null,
	permissions: { steer: false, start: false },
	...known,
});
