import type { KilnCard } from "@contract/kilns";
import type { GlassFamily } from "@core/glass/family";
import { BETWEEN_MM } from "@core/loading/halves";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import type { Shelf } from "@core/loading/shelf";
import { type Tier, tiersOf } from "@core/loading/tiers";
import { ShelfMap } from "./shelf-map";

type MapProps = React.ComponentProps<typeof ShelfMap>;

interface Props extends Omit<MapProps, "shelf" | "doorSide" | "zones" | "fixtures"> {
	kiln: KilnCard;
	/** Which of its shelves, from the lowest, 0. */
	index?: number;
	/** How many of them it is loaded with. */
	of?: number;
	/** Of a load of two families: what the left half is called and what the right one. */
	halves?: readonly string[] | undefined;
}

/** The strip between the halves of two families, and which half is whose. */
const Halves = ({ shelf: { widthMm, heightMm }, names }: { shelf: Shelf; names: readonly string[] }) => (
	<g>
		<rect
			x={(widthMm - BETWEEN_MM) / 2}
			width={BETWEEN_MM}
			height={heightMm}
			className="fill-base-content/12 stroke-base-content/50"
			strokeDasharray="5 4"
		/>
		{names.map((name, i) => (
			<text
				key={name}
				x={widthMm / 2 + (i === 0 ? -8 : 8)}
				y={heightMm + 19}
				textAnchor={i === 0 ? "end" : "start"}
				fontSize="15"
				className="figure fill-base-content font-bold"
			>
				{i === 0 ? `◂ ${name}` : `${name} ▸`}
			</text>
		))}
	</g>
);

/** Names of the families of a load: a firing is of the family on its left half, and of another one on its right. */
export const halvesOf = (left: GlassFamily, right: GlassFamily | null): string[] =>
	[left, right].flatMap((one) => one?.label ?? []);

/** One shelf of a kiln from above, with what the kiln's book knows of it. Its thermocouple reaches over the lowest. */
export function KilnShelf({ kiln, index = 0, of = 1, halves = [], pieces, ...map }: Props) {
	const tiers = tiersOf(kilnShelvesOf(kiln), of);
	// What was fired on a shelf that the kiln has no more is shown on the topmost.
	const tier = tiers[index] ?? (tiers.at(-1) as Tier);
	const isCarrying = (tier.shelf.posts?.length ?? 0) > 0;
	return (
		<ShelfMap
			{...map}
			shelf={tier.shelf}
			doorSide={kiln.doorSide}
			zones={kiln.zones}
			fixtures={kiln.fixtures.filter(({ kind }) => (kind === "post" ? isCarrying : index === 0))}
			pieces={pieces.filter(({ place }) => place.shelf === index)}
			below={halves.length > 1 && <Halves shelf={tier.shelf} names={halves} />}
		/>
	);
}
