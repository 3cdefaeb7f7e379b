import { LEVEL_AIM, LEVEL_WORDS } from "../../firing/level";
import { areaMm2, unite } from "../../geometry/region";
import { say } from "../../units/phrase";
import { afterWithin, type Body, isLoose } from "../bodies";
import type { Finding } from "../finding";
import { PUDDLE_MM } from "../outline";
import type { Stack } from "../stack";
import { isHeldBy } from "../walls";
import { ids, names } from "./words";

const SEEN_MM = 0.5;

/** Which edges draw in, which spread, at the chosen level. */
export function edgeFindings(stack: Stack): Finding[] {
	const { bodies, level, thickestMm } = stack;
	const moved = bodies.map((body): Moved => ({ ...body, ...movedNow(body, stack) }));
	const inwards = moved.filter(({ inMm }) => inMm > SEEN_MM).sort((a, b) => b.inMm - a.inMm);
	const isFree = ({ parts }: Body) => !stack.walls.some((wall) => isHeldBy(wall, parts));
	const outwards = moved.filter((one) => one.outMm > SEEN_MM && isFree(one)).sort((a, b) => b.outMm - a.outMm);
	const findings: Finding[] = [];
	const thin = inwards[0];
	if (thin) {
		findings.push({
			code: "draws-in",
			severity: "know",
			sentence: say`${whoOf(thin, bodies, "draw")} in up to ${{ mm: thin.inMm }} a side at ${LEVEL_WORDS[level]}, its edge thickens${level === "full" || level === "deep" ? " and may leave needle points" : ""}.`,
			remedy: say`Two singles, ${{ mm: 6 }}, keep their outline.`,
			partIds: ids(thin.parts),
		});
	}
	const thick = outwards[0];
	if (thick) {
		findings.push({
			code: "spreads",
			severity: "know",
			sentence: say`${whoOf(thick, bodies, "spread")} up to ${{ mm: thick.outMm }} a side at ${LEVEL_WORDS[level]}: glass wants to be ${{ mm: PUDDLE_MM }} thick.`,
			remedy: say`Give it ${{ mm: Math.ceil(thick.outMm) }} of room all round, or a wall ${{ mm: Math.ceil(thickestMm) }} high at its outline: then it stays ${{ mm: meanMm(thick) }} thick.`,
			partIds: ids(thick.parts),
		});
	}
	return findings;
}

/** A body with how far its edge goes in this firing, inwards and outwards where most, mm. */
interface Moved extends Body {
	inMm: number;
	outMm: number;
}

/** Of a later firing, heated through, only what that adds: its edges have had the heat of those before already. */
function movedNow({ parts, after }: Body, { isLater, flow, level, walls }: Stack): Pick<Moved, "inMm" | "outMm"> {
	if (!isLater) return { inMm: -after.leastMm, outMm: after.mostMm };
	const before = afterWithin(parts, flow - LEVEL_AIM[level], walls);
	return { inMm: before.leastMm - after.leastMm, outMm: after.mostMm - before.mostMm };
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
