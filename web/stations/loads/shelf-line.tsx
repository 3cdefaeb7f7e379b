import type { LoadView } from "@contract/loads";
import { useFigure } from "../../lib/prefs";

/** The shelf's size, and how full the proposal makes it. */
export function ShelfLine({
	kiln,
	fill,
	count,
}: {
	kiln: LoadView["kilns"][number];
	fill: number | undefined;
	count: number | undefined;
}) {
	const figure = useFigure();
	return (
		<p className="text-right text-soft">
			shelf{" "}
			<span className="figure">
				{figure({ mm: kiln.shelfWidthMm })} × {figure({ mm: kiln.shelfHeightMm })}
			</span>
			{fill !== undefined && (
				<>
					{" "}
					· {count} {count === 1 ? "piece" : "pieces"} · fill{" "}
					<b className="figure text-lg text-base-content">{Math.round(fill * 100)} %</b>
				</>
			)}
		</p>
	);
}
