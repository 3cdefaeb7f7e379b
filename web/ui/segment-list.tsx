import type { PieceBrief } from "@contract/pieces";
import type { MergedDemand } from "@core/firing/merge";
import { type Schedule, SEGMENT_WORDS } from "@core/firing/schedule";
import { formatMinutes } from "@core/units/duration";
import { useFigure } from "../lib/prefs";

interface Props {
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	pieces: readonly PieceBrief[];
	/** The segment a running controller is in. */
	at?: number | null | undefined;
}

/** The segments of a schedule, each with the piece that set it. */
export function SegmentList({ schedule, setBy, airMin, pieces, at }: Props) {
	const figure = useFigure();
	const names = (ids: readonly string[]) => {
		if (ids.length === pieces.length && ids.length > 1) return `all ${ids.length}`;
		const who = ids.flatMap((id) => pieces.find((piece) => piece.id === id) ?? []);
		const first = who[0];
		if (!first) return "";
		const label = `${first.code} ${first.student?.split(" ")[0] ?? ""}`.trim();
		return who.length > 1 ? `${label} and ${who.length - 1} more` : label;
	};
	const rows = schedule.segments.flatMap(({ name, rateCPerH, targetC, holdMin }, i) => {
		const here = i === at;
		const rate = rateCPerH === "full" ? (name === "drop" ? "off" : "full power") : figure({ cPerH: rateCPerH });
		const target = `${rate} → ${figure({ c: targetC })}`;
		if (name === "up") {
			const ramp = { what: SEGMENT_WORDS.up, value: target, by: names(setBy.firstRamp), here };
			return holdMin > 0 && airMin > 0
				? [ramp, { what: "let air out", value: formatMinutes(holdMin), by: names(setBy.air), here: false }]
				: [ramp];
		}
		if (name === "drop")
			return [
				{
					what: SEGMENT_WORDS.drop,
					value: `${figure({ c: targetC })}, ${formatMinutes(holdMin)}`,
					by: names(setBy.soak),
					here,
				},
			];
		const by = name === "peak" ? "" : name === "down1" ? names(setBy.cool) : "";
		return [
			{ what: SEGMENT_WORDS[name], value: holdMin > 0 ? `${target}, ${formatMinutes(holdMin)}` : target, by, here },
		];
	});
	return (
		<ol className="ruled">
			{rows.map(({ what, value, by, here }, i) => (
				<li
					key={`${what}${i}`}
					aria-current={here ? "step" : undefined}
					className={`grid grid-cols-[1fr_auto] gap-x-2 py-1.5 ${here ? "-mx-2 bg-accent/12 px-2" : ""}`}
				>
					<span>{what}</span>
					<span className="figure text-right font-semibold">{value}</span>
					{by && (
						<span className="col-span-2 text-soft">
							set by <b className="figure font-semibold text-base-content">{by}</b>
						</span>
					)}
				</li>
			))}
		</ol>
	);
}
