import { counted } from "@core/units/counted";
/** How many lie on the shelf, and how full it is: the number that decides whether the kiln is worth its power. */
export function ShelfLine({ fill, count }: { fill: number; count: number }) {
	return (
		<p className="text-right whitespace-nowrap text-soft">
			{counted(count, "piece")} · fill <b className="figure text-lg text-base-content">{Math.round(fill * 100)} %</b>
		</p>
	);
}
