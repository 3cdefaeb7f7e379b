import type { Station } from "@core/studio/stations";
import { Caution } from "../forms/notice";
import { useHouse } from "../lib/house";

/** The studio's own cautions at a station, after those that hold everywhere. */
export function OwnCautions({ station }: { station: Station }) {
	const lines = useHouse()
		.customs.cautions[station].split("\n")
		.map((line) => line.trim())
		.filter(Boolean);
	return lines.map((line) => <Caution key={line}>{line}</Caution>);
}
