/** A list that is longer than what is shown says so, and shows more when asked. @param first which of them are shown */
export function MoreOf({ shown, all, first = "the longest wait" }: { shown: number; all: number; first?: string }) {
	if (all <= shown) return null;
	return (
		<p className="py-2 text-soft">
			<b className="figure text-base-content">{shown}</b> of <b className="figure text-base-content">{all}</b> shown,{" "}
			{first}
			first.{" "}
			<a className="font-semibold underline" href={`?most=${Math.min(10_000, Math.max(all, shown * 2))}`}>
				Show {all - shown <= shown ? "all" : "more"}
			</a>
		</p>
	);
}
