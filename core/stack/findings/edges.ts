import { LEVEL_WORDS } from "../../firing/level";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import { PUDDLE_MM } from "../outline";
import type { Stack } from "../stack";
import { ids, names } from "./words";

const SEEN_MM = 0.5;

/** Which edges draw in, which spread, at the chosen level. */
export function edgeFindings({ bodies, level, lain }: Stack): Finding[] {
	const dammed = lain.some(({ part }) => part.kind === "dam");
	const inwards = bodies
		.filter(({ after }) => after.leastMm < -SEEN_MM)
		.sort((a, b) => a.after.leastMm - b.after.leastMm);
	const outwards = bodies.filter(({ after }) => after.mostMm > SEEN_MM).sort((a, b) => b.after.mostMm - a.after.mostMm);
	const findings: Finding[] = [];
	const thin = inwards[0];
	if (thin) {
		findings.push({
			code: "draws-in",
			severity: "know",
			sentence: say`${names(thin.parts)} draws in up to ${{ mm: -thin.after.leastMm }} a side at ${LEVEL_WORDS[level]}, its edge thickens${level === "full" || level === "deep" ? " and may leave needle points" : ""}.`,
			remedy: say`Two singles, ${{ mm: 6 }}, keep their outline.`,
			partIds: ids(thin.parts),
		});
	}
	const thick = outwards[0];
	if (thick && !dammed) {
		findings.push({
			code: "spreads",
			severity: "know",
			sentence: say`${names(thick.parts)} spreads up to ${{ mm: thick.after.mostMm }} a side at ${LEVEL_WORDS[level]}: glass wants to be ${{ mm: PUDDLE_MM }} thick.`,
			remedy: say`Give it room on the shelf, or a dam.`,
			partIds: ids(thick.parts),
		});
	}
	return findings;
}
