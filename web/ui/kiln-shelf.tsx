import type { KilnCard } from "@contract/kilns";
import { tiersOf } from "@core/loading/tiers";
import { ShelfMap } from "./shelf-map";
import { tieredOf } from "./shelf-path";

type MapProps = React.ComponentProps<typeof ShelfMap>;

interface Props extends Omit<MapProps, "shelf" | "doorSide" | "zones" | "fixtures"> {
	kiln: KilnCard;
	/** Which of its shelves, from the lowest, 0. */
	index?: number;
	/** How many of them it is loaded with. */
	of?: number;
}

/** One shelf of a kiln from above, with what the kiln's book knows of it. Its thermocouple reaches over the lowest. */
export function KilnShelf({ kiln, index = 0, of = 1, pieces, ...map }: Props) {
	const tier = tiersOf(tieredOf(kiln), of)[index];
	if (!tier) return null;
	const isCarrying = (tier.shelf.posts?.length ?? 0) > 0;
	return (
		<ShelfMap
			{...map}
			shelf={tier.shelf}
			doorSide={kiln.doorSide}
			zones={kiln.zones}
			fixtures={kiln.fixtures.filter(({ kind }) => (kind === "post" ? isCarrying : index === 0))}
			pieces={pieces.filter(({ place }) => place.shelf === index)}
		/>
	);
}
