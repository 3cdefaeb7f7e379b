import type { KilnCard } from "@contract/kilns";
import { LEVEL_WORDS, levelOf } from "@core/firing/level";
import { formatMinutes } from "@core/units/duration";
import { useFigure } from "../../lib/prefs";
import { megapascals } from "../firings/strips";
import type { useSimulation } from "../firings/use-simulation";

/** What the simulation says, the number that matters first, and what it cannot know. */
export function Outcome({
	simulated,
	kiln,
}: {
	simulated: ReturnType<typeof useSimulation>;
	kiln: KilnCard | undefined;
}) {
	const figure = useFigure();
	if (!kiln) return <p className="text-soft">Choose a kiln: what the glass goes through depends on it.</p>;
	if (!simulated) return <p className="text-soft">Simulating …</p>;
	const { simulation, ms } = simulated;
	const { shockMargin, heatingStressPa, coolingStressPa, frozenStressPa, openS, endS, kwh, stuckAt, zoneFlow } =
		simulation;
	const numbers = [
		["may be opened after", formatMinutes(openS / 60)],
		["controller done after", formatMinutes(endS / 60)],
		["shock margin", Number.isFinite(shockMargin) ? `×${shockMargin.toFixed(1)}` : "whole"],
		["tension up / down", `${megapascals(heatingStressPa)} / ${megapascals(coolingStressPa)} MPa`],
		["stays in it", `${megapascals(frozenStressPa)} MPa`],
		["energy", `${kwh.toFixed(1)} kWh`],
	];
	return (
		<div>
			{stuckAt !== undefined && (
				<p className="font-semibold text-error">
					Segment {stuckAt + 1} is never reached: this kiln has not the power. It is drawn up to there.
				</p>
			)}
			<dl className="flex flex-wrap gap-x-6 gap-y-1">
				{numbers.map(([label, value], i) => (
					<div key={label}>
						<dt className="text-soft">{label}</dt>
						<dd className={`figure font-bold ${i === 0 ? "text-xl" : "text-base"}`}>{value}</dd>
					</div>
				))}
			</dl>
			{kiln.zones.length > 0 && (
				<p className="mt-1 text-soft">
					{kiln.zones
						.map(({ name, offsetK }, i) => `${name} ${figure({ signedC: offsetK })}: ${levelAt(zoneFlow[i] ?? 0)}`)
						.join(" · ")}
				</p>
			)}
			<p className="mt-1 text-soft">
				Simulated in {ms.toFixed(0)} ms on {kiln.name}
				{kiln.body.offsetK ? `, whose glass is ${figure({ signedC: kiln.body.offsetK })} against what it shows` : ""}.
				It cannot know uneven heat beyond the zones, a lid that is lifted, or how dark glass takes up heat.
			</p>
		</div>
	);
}

function levelAt(flow: number): string {
	const { level } = levelOf(flow);
	return `${level ? LEVEL_WORDS[level] : "nothing lasting"}, ${flow.toFixed(2)}`;
}
