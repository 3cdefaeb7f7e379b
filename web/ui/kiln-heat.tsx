import { type KilnHeat, UNMEASURED_WORDS } from "@core/kiln/heat";
import type { ReactNode } from "react";
import { useNow } from "../lib/clock";
import { useFigure } from "../lib/prefs";
import { agoWords } from "../lib/staleness";
import { Glow } from "./signs";

/** A figure that was measured longer ago says so, ms: an idle kiln is read once a minute. */
const OLD_MS = 180_000;
/** Computed figures are told to so much, °C: they are no measurement. */
const ABOUT_C = 10;

interface Props {
	heat: KilnHeat;
	className: string;
	soft: string;
	/** How old a measured figure is, where the view knows it better; null: it is fresh. */
	age?: ReactNode;
}

/**
 * How hot a kiln is, in the words and the look of how that is known: a figure only where it was measured or read; what is computed
 * stands below it, slanted, as what the plan says. Every view shows a kiln's heat by this.
 */
export function KilnHeatFigure({ heat, className, soft, age }: Props) {
	const figure = useFigure();
	const nowMs = useNow(5);
	const ago = (at: string) => agoWords(Math.max(0, (nowMs - Date.parse(at)) / 1000));
	switch (heat.how) {
		case "measured":
			return (
				<>
					<b className={`figure block ${className}`}>{figure({ c: heat.measuredC })}</b>
					{age === undefined
						? nowMs - Date.parse(heat.at) > OLD_MS && <span className={`block ${soft}`}>read {ago(heat.at)}</span>
						: age}
				</>
			);
		case "read":
			return (
				<>
					<b className={`figure block ${className}`}>{figure({ c: heat.readC })}</b>
					<span className={`block ${soft}`}>
						read by {heat.readBy.split(" ")[0]}, {ago(heat.at)}
					</span>
				</>
			);
		case "computed":
			return (
				<>
					<b className="block font-semibold">{UNMEASURED_WORDS[heat.why]}</b>
					<i className={`block ${soft}`}>
						by the plan about {figure({ c: Math.round(heat.computedC / ABOUT_C) * ABOUT_C })}
					</i>
				</>
			);
		case "nothing":
			return (
				<>
					<b className="block font-semibold">{UNMEASURED_WORDS[heat.why]}</b>
					{heat.last && (
						<span className={`block ${soft}`}>
							last {figure({ c: heat.last.lastC })}, {ago(heat.last.at)}
						</span>
					)}
				</>
			);
	}
}

/** The glow of a heat that was measured or read; an empty frame, dashed, where it is only computed or not known. */
export function HeatGlow({ heat, className }: { heat: KilnHeat; className: string }) {
	if (heat.how === "measured") return <Glow c={heat.measuredC} className={className} />;
	if (heat.how === "read") return <Glow c={heat.readC} className={className} />;
	return <span aria-hidden="true" className={`${className} border-[1.5px] border-dashed border-current opacity-55`} />;
}
