import { boundsOf } from "../../geometry/bounds";
import { circleOf } from "../../geometry/circle-of";
import { areaMm2, intersect, offset, subtract, unite } from "../../geometry/region";
import { DENSITY_G_PER_MM3 } from "../../glass/constants";
import type { Change } from "../../kit/change";
import { wallStuffOf } from "../../kit/kit";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import { type Lain, LOOSE_FRIT, massOf } from "../lay";
import type { Stack } from "../stack";
import type { Wall } from "../walls";
import { holdsAny, ids, middle, names, worstOf } from "./words";

/** Deeper than this, powder turns a casting cloudy, mm. Common practice, no source. */
const CLOUDY_FROM_MM = 6;
/** Share lost on the way into the mould. Common practice, no source. */
const SPILL = 0.05;
/** Steel is lined with this much fibre, mm. Common practice, no source. */
const LINING_MM = 3;
/** A fill lies so much inside its wall all round, mm. */
const EASE_MM = 0.2;
/** Less over the opening is spilt frit, not a fill cut too large, mm². */
const OVER_MM2 = 2;

/** A wall, or a mould to cast in, with glass in it. */
interface Casting {
	wall: Wall;
	fill: readonly Lain[];
	massG: number;
	/** Across its opening, mm. */
	widthMm: number;
	/** Deep once molten, mm. */
	depthMm: number;
	/** High as it is filled in, mm. */
	looseMm: number;
	/** Of its fill, what lies beyond the opening, mm². */
	overMm2: number;
}

/** What glass is cast in: how much it takes, how high that stands before it melts, whether it goes in and comes out. */
export function castingFindings(stack: Stack): Finding[] {
	const castings = stack.walls.flatMap((wall) => castingIn(stack, wall));
	return [
		...filled(castings),
		...low(castings.filter(({ looseMm, wall }) => looseMm > wall.highMm)),
		...tooLarge(castings.filter(({ overMm2, wall }) => wall.dam && overMm2 > OVER_MM2)),
		...bare(castings.filter(isBare)),
		...cloudy(castings.filter(({ depthMm }) => depthMm > CLOUDY_FROM_MM)),
	];
}

/** The glass that lies in an opening, most of it or all. */
function castingIn({ glass }: Stack, wall: Wall): Casting[] {
	const { opening } = wall;
	const fill = glass.filter((one) => areaMm2(intersect(one.region, opening)) > one.areaMm2 / 2);
	const area = areaMm2(opening);
	if (area <= 0 || fill.length === 0) return [];
	const massG = fill.reduce((sum, lain) => sum + massOf(lain), 0);
	const covered = unite(fill.map(({ region }) => region));
	return [
		{
			...{ wall, fill, massG },
			widthMm: boundsOf(opening).widthMm,
			depthMm: massG / DENSITY_G_PER_MM3 / area,
			looseMm: fill.reduce((sum, { areaMm2: mm2, bulkMm }) => sum + mm2 * bulkMm, 0) / area,
			overMm2: areaMm2(subtract(covered, offset(opening, EASE_MM))),
		},
	];
}

const nameOf = ({ dam, mould }: Wall): string => dam?.name ?? mould?.name ?? "";
const partsOf = (castings: readonly Casting[]): string[] => [
	...new Set(castings.flatMap(({ wall, fill }) => ids([...(wall.dam ? [wall.dam] : []), ...fill]))),
];

function filled(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const { wall, massG, widthMm, depthMm, looseMm } = worstOf(castings, (one) => one.massG);
	const total = castings.reduce((sum, one) => sum + one.massG, 0);
	const all = castings.length === 1 ? [] : say` All ${{ n: castings.length }} take ${{ g: total }}.`;
	return [
		{
			code: "casting",
			severity: "know",
			sentence: [
				...say`${{ g: massG }} of glass fills the ${{ mm: widthMm }} of ${nameOf(wall)} ${{ mm: depthMm }} deep; loose it stands about ${{ mm: looseMm }}.`,
				...all,
			],
			remedy: say`Weigh out ${{ g: total * (1 + SPILL) }}, for what spills.`,
			partIds: partsOf(castings),
		},
	];
}

function low(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const { looseMm, depthMm, wall, fill } = worstOf(castings, (one) => one.looseMm - one.wall.highMm);
	const runsOver = depthMm > wall.highMm;
	return [
		{
			code: "dam-low",
			severity: "fix",
			sentence: runsOver
				? say`Molten it is ${{ mm: depthMm }} deep, and ${nameOf(wall)} is ${{ mm: wall.highMm }} high: it runs over.`
				: say`Loose frit stands ${{ n: LOOSE_FRIT }} times as high as it melts: ${{ mm: looseMm }} in a wall of ${{ mm: wall.highMm }}.`,
			remedy: wall.mould
				? say`Fill in less, or top it up in a second firing.`
				: say`Take a wall of ${{ mm: Math.ceil(looseMm) }}, or top it up in a second firing.`,
			partIds: partsOf(castings),
			at: middle(wall.dam ?? (fill[0] as Lain)),
			places: castings.map((one) => middle(one.wall.dam ?? (one.fill[0] as Lain))),
		},
	];
}

/** A fill that was cut for the wall without its lining. */
function tooLarge(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const { wall, widthMm, fill } = worstOf(castings, (one) => one.overMm2);
	const changes = castings.flatMap((one) => fittedTo(one.wall.opening, one.fill));
	return [
		{
			code: "fill-large",
			severity: "fix",
			sentence: say`${names(fill)} ${fill.length === 1 ? "is" : "are"} larger than the ${{ mm: widthMm }} that ${nameOf(wall)} leaves free inside its lining.`,
			remedy: say`Cut or fill it ${{ mm: Math.floor(widthMm) }} across.`,
			partIds: partsOf(castings),
			at: middle(wall.dam as Lain),
			places: castings.map((one) => middle(one.wall.dam as Lain)),
			...(changes.length > 0 && { fix: { label: say`Fit it into the wall`, changes } }),
		},
	];
}

const isBare = ({ wall: { dam } }: Casting): boolean =>
	dam !== undefined && wallStuffOf(dam.part) === "steel" && !((dam.part.liningMm ?? 0) > 0);

/** Steel without a lining: the glass sticks to it, and the steel shrinks onto the glass. */
function bare(castings: readonly Casting[]): Finding[] {
	if (!holdsAny(castings)) return [];
	const [{ wall }] = castings;
	const changes = castings.flatMap(({ wall: { dam, opening }, fill }): Change[] =>
		dam ? [{ do: "line", partId: dam.id, liningMm: LINING_MM }, ...fittedTo(offset(opening, -LINING_MM), fill)] : [],
	);
	return [
		{
			code: "wall-bare",
			severity: "fix",
			sentence:
				castings.length === 1
					? say`${nameOf(wall)} is of steel and lined with ${{ mm: 0 }}: glass sticks to it, and it shrinks onto the glass as it cools.`
					: say`${{ n: castings.length }} walls are of steel and lined with ${{ mm: 0 }}: glass sticks to them, and they shrink onto the glass as they cool.`,
			remedy: say`Line it with ${{ mm: LINING_MM }} of fibre and shelf paper; the opening gets ${{ mm: 2 * LINING_MM }} smaller.`,
			partIds: partsOf(castings),
			at: middle(wall.dam as Lain),
			places: castings.map((one) => middle(one.wall.dam as Lain)),
			fix: { label: say`Line it with ${{ mm: LINING_MM }}`, changes },
		},
	];
}

/** The fill in an opening: what reaches over it takes the opening’s own outline, with as many grams as before. */
function fittedTo(opening: ReturnType<typeof offset>, fill: readonly Lain[]): Change[] {
	const fits = offset(opening, -EASE_MM);
	const [ring] = fits;
	if (fits.length !== 1 || !ring) return [];
	const round = circleOf(ring);
	const box = boundsOf(fits);
	return fill.flatMap((lain): Change[] => {
		const { part } = lain;
		if (!("shape" in part) || areaMm2(subtract(lain.region, fits)) < OVER_MM2) return [];
		const shape = round ?? { kind: "outline" as const, points: [...ring] };
		const lie = { xMm: (box.minX + box.maxX) / 2, yMm: (box.minY + box.maxY) / 2, turnDeg: 0 };
		const grams = part.kind === "grains" ? { gPerCm2: (part.gPerCm2 * lain.areaMm2) / areaMm2(fits) } : {};
		return [{ do: "replace", part: { ...part, shape, ...lie, ...grams } }];
	});
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
