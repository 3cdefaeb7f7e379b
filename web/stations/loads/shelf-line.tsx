import { counted } from "@core/units/counted";
import type { Search } from "../../lib/use-worker";

interface Props {
	fill: number;
	count: number;
	/** The search for a fuller one, that goes on while nobody touches. */
	further: Pick<Search<unknown>, "share" | "stop">;
}

/** How many lie on the shelf, and how full it is: the number that decides whether the kiln is worth its power. */
export function ShelfLine({ fill, count, further: { share, stop } }: Props) {
	return (
		<div className="text-right whitespace-nowrap text-soft">
			<p>
				{counted(count, "piece")} · fill <b className="figure text-lg text-base-content">{Math.round(fill * 100)} %</b>
			</p>
			{share < 1 && (
				<p className="flex items-center justify-end gap-1.5 text-[13px]">
					looking for room for more, <span className="figure">{Math.round(share * 100)} %</span>
					<button type="button" className="btn btn-xs max-lg:h-11" onClick={stop}>
						Stop
					</button>
				</p>
			)}
		</div>
	);
}
