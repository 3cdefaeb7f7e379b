import { laidRing, type Place } from "@core/loading/place";
import { ringPath } from "../../../ui/shelf-map";
import type { useDragPiece } from "./use-drag-piece";

interface Props {
	places: readonly Place[];
	labelOf(id: string): string;
	shelfHeightMm: number;
	chosen: string | null;
	handlers: ReturnType<typeof useDragPiece>;
	/** With one chosen to be swapped, a press on another swaps them. */
	onPress(id: string): void;
}

/** Over the drawing: what is taken by pointer or keys, piece by piece. */
export const MoveLayer = ({ places, labelOf, shelfHeightMm, chosen, handlers, onPress }: Props) =>
	places.map((place) => (
		<path
			key={place.id}
			d={ringPath(laidRing(place), shelfHeightMm)}
			fill="transparent"
			className="cursor-grab touch-none"
			role="button"
			tabIndex={0}
			aria-pressed={chosen === place.id}
			aria-label={labelOf(place.id)}
			onClick={() => onPress(place.id)}
			{...handlers(place.id)}
		/>
	));
