import { fillMassG, thinnedGlue } from "@core/cutting/mixing";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { useFigure } from "../../lib/prefs";

/** Spilt when a mould is filled. Common practice, no source. */
const SPILL = 0.03;

/** Two sums that are done at every packing table: thinned glue, and frit for a mould. */
export function BagTools() {
	const figure = useFigure();
	const [glueMl, setGlue] = useState<number | null>(50);
	const [volumeCm3, setVolume] = useState<number | null>(null);
	const glue = glueMl !== null && glueMl > 0 ? thinnedGlue(glueMl) : undefined;
	return (
		<section aria-label="To mix and weigh" className="flex flex-col gap-2">
			<h2>To mix and weigh</h2>
			<div className="grid grid-cols-[120px_1fr] items-end gap-3">
				<NumberField kind="count" label="Thinned glue, ml" value={glueMl} onChange={setGlue} />
				<p className="figure pb-2">
					{glue && (
						<>
							<b className="text-lg">{glue.glueMl} ml</b> glue, <b className="text-lg">{glue.waterMl} ml</b> water
						</>
					)}
				</p>
				<NumberField kind="count" label="Mould holds, ml" value={volumeCm3} onChange={setVolume} />
				<p className="figure pb-2">
					{volumeCm3 !== null && volumeCm3 > 0 ? (
						<>
							<b className="text-lg">{figure({ g: fillMassG(volumeCm3) })}</b> of frit, with spill{" "}
							<b>{figure({ g: fillMassG(volumeCm3, SPILL) })}</b>
						</>
					) : (
						<span className="text-soft">fill it with water and weigh: 1 g is 1 ml</span>
					)}
				</p>
			</div>
			<p className="text-soft">
				Loose frit stands nearly twice as high as it melts: a mould must be deep enough, or topped up.
			</p>
		</section>
	);
}
