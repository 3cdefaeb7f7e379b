import { boundsOf } from "../../geometry/bounds";
import { areaMm2 } from "../../geometry/region";
import { DENSITY_G_PER_MM3 } from "../../glass/constants";
import { say } from "../../units/phrase";
import { holdsIn, insideOf } from "../after";
import type { Finding } from "../finding";
import { type Lain, LOOSE_FRIT, massOf } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, middle, names, worstOf } from "./words";

/** Deeper than this, powder turns a casting cloudy, mm. Common practice, no source. */
const CLOUDY_FROM_MM = 6;
/** Share lost on the way into the mould. Common practice, no source. */
const SPILL = 0.05;

/** A wall with glass in it. */
interface Casting {
	dam: Lain;
	fill: readonly Lain[];
	massG: number;
	/** Across its inside, mm. */
	widthMm: number;
	/** Deep once molten, mm. */
	depthMm: number;
	/** High as it is filled in, mm. */
	looseMm: number;
}

/** Walls with frit in them: how much they take, how high it stands before it melts. */
export function castingFindings(stack: Stack): Finding[] {
	const castings = stack.lain.filter(({ part }) => part.kind === "dam").flatMap((dam) => castingIn(stack, dam));
	const low = castings.filter(({ looseMm, dam }) => looseMm > dam.bulkMm);
	return [...filled(castings), ...lowWalls(low), ...cloudy(castings.filter(({ depthMm }) => depthMm > CLOUDY_FROM_MM))];
}

function castingIn({ glass }: Stack, dam: Lain): Casting[] {
	const inside = insideOf(dam.region);
	const fill = glass.filter(({ region }) => holdsIn(inside, region));
	if (inside.length === 0 || fill.length === 0) return [];
	const area = areaMm2(inside);
	const massG = fill.reduce((sum, lain) => sum + massOf(lain), 0);
	return [
		{
			dam,
			fill,
			massG,
			widthMm: boundsOf(inside).widthMm,
			depthMm: massG / DENSITY_G_PER_MM3 / area,
			looseMm: fill.reduce((sum, { areaMm2: mm2, bulkMm }) => sum + mm2 * bulkMm, 0) / area,
		},
	];
}

function filled(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const { massG, widthMm, depthMm, looseMm } = worstOf(castings, (one) => one.massG);
	const total = castings.reduce((sum, one) => sum + one.massG, 0);
	const all = castings.length === 1 ? [] : say` All ${{ n: castings.length }} take ${{ g: total }}.`;
	return [
		{
			code: "casting",
			severity: "know",
			sentence: [
				...say`${{ g: massG }} of glass fills the ${{ mm: widthMm }} ring ${{ mm: depthMm }} deep; loose it stands about ${{ mm: looseMm }}.`,
				...all,
			],
			remedy: say`Weigh out ${{ g: total * (1 + SPILL) }}, for what spills.`,
			partIds: castings.flatMap(({ dam, fill }) => ids([dam, ...fill])),
		},
	];
}

function lowWalls(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const { looseMm, dam } = worstOf(castings, (one) => one.looseMm - one.dam.bulkMm);
	return [
		{
			code: "dam-low",
			severity: "fix",
			sentence: say`Loose frit stands ${{ n: LOOSE_FRIT }} times as high as it melts: ${{ mm: looseMm }} in a wall of ${{ mm: dam.bulkMm }}.`,
			remedy: say`Take a wall of ${{ mm: Math.ceil(looseMm) }}, or top it up in a second firing.`,
			partIds: castings.map((one) => one.dam.id),
			at: middle(dam),
			places: castings.map((one) => middle(one.dam)),
		},
	];
}

function cloudy(castings: readonly Casting[]): Finding[] {
	const powder = castings.flatMap(({ fill }) => fill.filter(({ glass }) => glass?.grade === "powder"));
	if (!holdsAny(castings) || powder.length === 0) return [];
	const { depthMm } = worstOf(castings, (one) => one.depthMm);
	return [
		{
			code: "cloudy",
			severity: "know",
			sentence: say`${names(powder)} ${powder.length === 1 ? "is" : "are"} powder in ${{ mm: depthMm }} of glass: deep powder turns cloudy.`,
			remedy: say`Coarse clear frit between the colours keeps them bright.`,
			partIds: ids(powder),
		},
	];
}
