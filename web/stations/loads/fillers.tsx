import type { LoadView } from "@contract/loads";
import { Check } from "../../forms/check";
import { useFigure } from "../../lib/prefs";

interface Props {
	/** Lots of this load's family and level. */
	fillers: LoadView["fillers"];
	chosen: readonly string[];
	onChoose(ids: readonly string[]): void;
	/** Shelf that no piece covers. */
	freeMm2: number;
}

/** Parts that have to be fired before they can be packed: they fill the corners of a load that goes to the same level. */
export function Fillers({ fillers, chosen, onChoose, freeMm2 }: Props) {
	const figure = useFigure();
	if (fillers.length === 0) return null;
	return (
		<section aria-label="Fillers">
			<h2>In its corners</h2>
			<ul>
				{fillers.map(({ id, name, count, sizeMm, roomMm2 }) => (
					<li key={id}>
						<Check
							label={
								<span>
									<b className="figure">{count}</b> × {name}
									{sizeMm !== null && `, ${figure({ mm: sizeMm })}`}{" "}
									<span className="figure text-soft">
										{figure({ mm2: roomMm2 })} of {figure({ mm2: freeMm2 })} free
									</span>
								</span>
							}
							checked={chosen.includes(id)}
							onChange={(on) => onChoose(on ? [...chosen, id] : chosen.filter((one) => one !== id))}
						/>
					</li>
				))}
			</ul>
		</section>
	);
}
