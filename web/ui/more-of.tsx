/** A list that is longer than what is shown says so, and shows more when asked. */
export function MoreOf({ shown, all }: { shown: number; all: number }) {
	if (all <= shown) return null;
	return (
		<p className="py-2 text-soft">
			<b className="figure text-base-content">{shown}</b> of <b className="figure text-base-content">{all}</b> shown,
			the longest wait first.{" "}
			<a className="font-semibold underline" href={`?most=${Math.min(10_000, Math.max(all, shown * 2))}`}>
				Show {all - shown <= shown ? "all" : "more"}
			</a>
		</p>
	);
}
