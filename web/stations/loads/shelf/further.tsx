import type { Search } from "../../../lib/use-worker";

/** How far the search for a fuller shelf is; it ends by itself, at a touch, or by this stop. */
export function Further({ share, stop }: Pick<Search<unknown>, "share" | "stop">) {
	if (share === 1) return null;
	return (
		<span className="ml-auto flex items-center gap-2 whitespace-nowrap text-soft">
			looking for room, <span className="figure">{Math.round(share * 100)} %</span>
			<button type="button" className="btn btn-sm max-lg:h-11" onClick={stop}>
				Stop
			</button>
		</span>
	);
}
