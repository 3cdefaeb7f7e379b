import { areaMm2, boundsOf } from "../../geometry/region";
import { DENSITY_G_PER_MM3 } from "../../glass/constants";
import { say } from "../../units/phrase";
import { holdsIn, insideOf } from "../after";
import type { Finding } from "../finding";
import { type Lain, LOOSE_FRIT, massOf } from "../lay";
import type { Stack } from "../stack";
import { ids, names } from "./words";

/** Deeper than this, powder turns a casting cloudy, mm. Common practice, no source. */
const CLOUDY_FROM_MM = 6;
/** Share lost on the way into the mould. Common practice, no source. */
const SPILL = 0.05;

/** A wall with frit in it: how much it takes, how high it stands before it melts. */
export function castingFindings(stack: Stack): Finding[] {
	return stack.lain.filter(({ part }) => part.kind === "dam").flatMap((dam) => damFindings(stack, dam));
}

function damFindings({ glass }: Stack, dam: Lain): Finding[] {
	const inside = insideOf(dam.region);
	const fill = glass.filter(({ region }) => holdsIn(inside, region));
	if (inside.length === 0 || fill.length === 0) return [];
	const area = areaMm2(inside);
	const massG = fill.reduce((sum, lain) => sum + massOf(lain), 0);
	const depthMm = massG / DENSITY_G_PER_MM3 / area;
	const looseMm = fill.reduce((sum, { areaMm2: mm2, bulkMm }) => sum + mm2 * bulkMm, 0) / area;
	const { widthMm } = boundsOf(inside);
	const findings: Finding[] = [
		{
			code: "casting",
			severity: "know",
			sentence: say`${{ g: massG }} of glass fills the ${{ mm: widthMm }} ring ${{ mm: depthMm }} deep; loose it stands about ${{ mm: looseMm }}.`,
			remedy: say`Weigh out ${{ g: massG * (1 + SPILL) }}, for what spills.`,
			partIds: ids([dam, ...fill]),
		},
	];
	if (looseMm > dam.bulkMm) {
		findings.push({
			code: "dam-low",
			severity: "fix",
			sentence: say`Loose frit stands ${{ n: LOOSE_FRIT }} times as high as it melts: ${{ mm: looseMm }} in a wall of ${{ mm: dam.bulkMm }}.`,
			remedy: say`Take a wall of ${{ mm: Math.ceil(looseMm) }}, or top it up in a second firing.`,
			partIds: ids([dam]),
		});
	}
	const powder = fill.filter(({ glass: one }) => one?.grade === "powder");
	if (powder.length > 0 && depthMm > CLOUDY_FROM_MM) {
		findings.push({
			code: "cloudy",
			severity: "know",
			sentence: say`${names(powder)} is powder in ${{ mm: depthMm }} of glass: deep powder turns cloudy.`,
			remedy: say`Coarse clear frit between the colours keeps them bright.`,
			partIds: ids(powder),
		});
	}
	return findings;
}
