import type { KilnCell } from "@contract/kilns";
import type { StationCount } from "@contract/studio";
import type { Station } from "@core/studio/stations";
import { clockNear } from "@formats/time";
import type { Frame } from "./frame";

/** What stands at every station: Fire and Open as the kilns have it this minute. */
export function railCounts(
	{ stations, unjudged, kilns }: Pick<Frame, "stations" | "unjudged" | "kilns">,
	now: Date,
	timeZone: string,
): Record<Station, StationCount> {
	const inState = (...states: KilnCell["state"][]) => kilns.filter(({ state }) => states.includes(state));
	const running = inState("running", "cooling", "toRead");
	const planned = inState("planned");
	const inThem = inState("canOpen", "toRead").reduce((sum, { firing }) => sum + (firing?.pieces ?? 0), 0);
	const toJudge = unjudged + inThem;
	const [opens] = running.flatMap(({ firing }) => firing?.openAt ?? []).sort();
	return {
		...stations,
		fire: {
			count: running.length + planned.length,
			late: 0,
			line: running.length > 0 ? `${running.length} hot` : planned.length > 0 ? "to start" : "idle",
		},
		open: {
			count: toJudge,
			late: 0,
			line: toJudge > 0 ? "to judge" : opens ? `at ${clockNear(opens, now, timeZone)}` : "nothing",
		},
	};
}
