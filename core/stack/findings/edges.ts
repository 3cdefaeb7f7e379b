import { LEVEL_WORDS } from "../../firing/level";
import { areaMm2, unite } from "../../geometry/region";
import { say } from "../../units/phrase";
import type { Body } from "../bodies";
import type { Finding } from "../finding";
import { PUDDLE_MM } from "../outline";
import type { Stack } from "../stack";
import { isLoose } from "./loose";
import { ids, names } from "./words";

const SEEN_MM = 0.5;

/** Which edges draw in, which spread, at the chosen level. */
export function edgeFindings({ bodies, level, lain, thickestMm }: Stack): Finding[] {
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
			sentence: say`${whoOf(thin, bodies, "draw")} in up to ${{ mm: -thin.after.leastMm }} a side at ${LEVEL_WORDS[level]}, its edge thickens${level === "full" || level === "deep" ? " and may leave needle points" : ""}.`,
			remedy: say`Two singles, ${{ mm: 6 }}, keep their outline.`,
			partIds: ids(thin.parts),
		});
	}
	const thick = outwards[0];
	if (thick && !dammed) {
		findings.push({
			code: "spreads",
			severity: "know",
			sentence: say`${whoOf(thick, bodies, "spread")} up to ${{ mm: thick.after.mostMm }} a side at ${LEVEL_WORDS[level]}: glass wants to be ${{ mm: PUDDLE_MM }} thick.`,
			remedy: say`Give it ${{ mm: Math.ceil(thick.after.mostMm) }} of room all round, or a wall ${{ mm: Math.ceil(thickestMm) }} high at its outline: then it stays ${{ mm: meanMm(thick) }} thick.`,
			partIds: ids(thick.parts),
		});
	}
	return findings;
}

/** Its glass over its outline as laid up: what it is where a wall holds it there, mm. */
function meanMm({ parts, after }: Body): number {
	const volume = after.areaMm2 * after.meanMm;
	const laid = areaMm2(unite(parts.map(({ region }) => region)));
	return laid > 0 ? volume / laid : 0;
}

/** "The piece draws", "Left wing draws", "Left wing, Keel draw". */
function whoOf(body: Body, bodies: readonly Body[], does: string): string {
	if (bodies.length === 1 && !isLoose(body)) return `The piece ${does}s`;
	return `${names(body.parts)} ${body.parts.length === 1 ? `${does}s` : does}`;
}
