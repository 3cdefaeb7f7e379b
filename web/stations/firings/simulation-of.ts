import type { KilnCard } from "@contract/kilns";
import type { Schedule } from "@core/firing/schedule";
import type { GlassFamily } from "@core/glass/family";
import type { SimulationInput } from "@core/kiln/simulate";
import { heatPlaces } from "@core/loading/tiers";

/** What lies in the kiln: thickest glass (mm), what it and its shelf take up (J/K; left out: nothing), glass on moulds. */
interface Heat {
	thicknessMm: number;
	loadJPerK?: number;
	onMould: boolean;
}

/** A schedule in a kiln of the studio, to be simulated. */
export const simulationOf = (
	kiln: KilnCard,
	{ segments }: Pick<Schedule, "segments">,
	family: GlassFamily,
	heat: Heat,
	shelves = 1,
): SimulationInput => ({
	kiln: kiln.body,
	schedule: { segments },
	family,
	zones: heatPlaces(kiln, shelves),
	...heat,
});
