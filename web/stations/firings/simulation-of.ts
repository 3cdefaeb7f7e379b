import type { KilnCard } from "@contract/kilns";
import type { Schedule } from "@core/firing/schedule";
import type { GlassFamily } from "@core/glass/family";
import type { SimulationInput } from "@core/kiln/simulate";

/** What lies in the kiln: thickest glass (mm), what it and its shelf take up (J/K; left out: nothing), glass on moulds. */
interface Heat {
	thicknessMm: number;
	loadJPerK?: number;
	onMould: boolean;
}

/** A schedule in a kiln of the studio, to be simulated. */
export const simulationOf = (
	{ body, zones }: KilnCard,
	{ segments }: Pick<Schedule, "segments">,
	family: GlassFamily,
	heat: Heat,
): SimulationInput => ({
	kiln: body,
	schedule: { segments },
	family,
	zones: zones.map(({ name, offsetK }) => ({ name, offsetK })),
	...heat,
});
