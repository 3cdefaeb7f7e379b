import { FUSE_LEVELS, type FuseLevel, LEVEL_WORDS } from "../../firing/level";
import { boundsOf } from "../../geometry/bounds";
import { areaMm2 } from "../../geometry/region";
import { centred } from "../../geometry/shape";
import type { KitPart } from "../../kit/kit";
import { counted } from "../../units/counted";
import { say } from "../../units/phrase";
import { tidyMm } from "../../units/tidy";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import { type Rest, restsOf } from "../rest";
import type { Stack } from "../stack";
import { freshIds } from "./fresh-ids";
import { holdsAny, ids, names, worstOf } from "./words";

/** Fibre is sold in these heights, mm. Common practice, no source. */
const FIBRE_MM = [1, 3, 6] as const;

/** A part held on both sides sags by itself only over a gap this many times its thickness to the middle. Common practice, no source. */
const SPAN_SHARE = 3;
/** A tip that comes down by one single does so by itself, and nobody supports it, mm. Common practice, no source. */
const PLAIN_DROP_MM = 3;

/** Below tack glass stays stiff; from full on it comes down onto what is below. Common practice, no source. */
const BENDS: readonly FuseLevel[] = ["tack", "contour"];
const COMES_DOWN: readonly FuseLevel[] = FUSE_LEVELS.slice(FUSE_LEVELS.indexOf("full"));

/** Tips and spans over nothing, by what the level does to them: fibre of the right height carries what would bend. */
export function overhangFindings(stack: Stack): Finding[] {
	const { level, step, columns } = stack;
	const rests = step.turnedOver ? restsOf(columns, true) : stack.rests;
	const out = rests.filter(({ isSpan, part, overhangMm }) => !isSpan && overhangMm > thickOf(part) + 0.05);
	const spans = rests.filter(({ isSpan, part, overhangMm }) => isSpan && overhangMm > SPAN_SHARE * thickOf(part));
	return [
		...(BENDS.includes(level) ? bent(stack, out) : []),
		...(COMES_DOWN.includes(level)
			? comesDown(
					stack,
					out.filter((rest) => dropOf(rest) > PLAIN_DROP_MM + 0.05),
				)
			: []),
		...(BENDS.includes(level) || COMES_DOWN.includes(level) ? sags(stack, spans) : []),
	];
}

const thickOf = (part: Lain): number => Math.max(part.glassMm, 1);
const dropOf = ({ restMm, belowMm }: Rest): number => restMm - belowMm;
const reachOf = ({ overhangMm }: Rest): number => overhangMm;

function bent(stack: Stack, tips: readonly Rest[]): Finding[] {
	if (!holdsAny(tips)) return [];
	const worst = worstOf(tips, reachOf);
	const needMm = dropOf(worst);
	return [
		{
			code: "overhang",
			severity: "fix",
			sentence: say`${whoOf(tips)} ${tips.length === 1 ? "lies" : "lie"} over nothing for ${{ mm: worst.overhangMm }}${tips.length === 1 ? "" : " and less"}, more than ${{ mm: worst.part.glassMm }} of glass carries at ${LEVEL_WORDS[stack.level]}: ${tips.length === 1 ? "it bends" : "they bend"} down.`,
			remedy: say`Lay ${{ mm: needMm }} of fibre under it${made(needMm)}, or want the bend.`,
			...placed(tips, worst),
			...fibre(stack, tips),
		},
	];
}

function comesDown(stack: Stack, tips: readonly Rest[]): Finding[] {
	if (!holdsAny(tips)) return [];
	const worst = worstOf(tips, dropOf);
	return [
		{
			code: "comes-down",
			severity: "know",
			sentence: say`${whoOf(tips)} ${tips.length === 1 ? "comes" : "come"} down by ${{ mm: dropOf(worst) }} onto what is below at ${LEVEL_WORDS[stack.level]}.`,
			remedy: say`Fill up under it, or lay ${{ mm: dropOf(worst) }} of fibre, if it has to stay up.`,
			...placed(tips, worst),
			...fibre(stack, tips),
		},
	];
}

function sags(stack: Stack, spans: readonly Rest[]): Finding[] {
	if (!holdsAny(spans)) return [];
	const worst = worstOf(spans, reachOf);
	const needMm = dropOf(worst);
	return [
		{
			code: "sags",
			severity: "know",
			sentence: say`${whoOf(spans)} ${spans.length === 1 ? "spans" : "span"} ${{ mm: 2 * worst.overhangMm }} over nothing: ${spans.length === 1 ? "its middle sags" : "their middles sag"}.`,
			remedy: say`Lay ${{ mm: needMm }} of fibre under it${made(needMm)}, or want the bend.`,
			...placed(spans, worst),
			...fibre(stack, spans),
		},
	];
}

const whoOf = (rests: readonly Rest[]): string =>
	rests.length === 1 ? names(rests.map(({ part }) => part)) : counted(rests.length, "part", "parts");

const placed = (rests: readonly Rest[], worst: Rest) => ({
	partIds: ids(rests.map(({ part }) => part)),
	at: centreOf(worst),
	places: rests.map(centreOf),
});

function centreOf({ overhang }: Rest) {
	const box = boundsOf(overhang);
	return { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
}

/** How a height is made up of the fibre that is sold, largest first. */
export function made(needMm: number): string {
	let left = Math.round(needMm);
	const sheets: string[] = [];
	for (const mm of [...FIBRE_MM].reverse()) {
		const count = Math.floor(left / mm);
		left -= count * mm;
		if (count > 0) sheets.push(`${count} × ${mm} mm`);
	}
	return sheets.length > 1 || !sheets[0]?.startsWith("1 ×") ? ` (${sheets.join(" + ")})` : "";
}

/** Fibre under every stretch that hangs free, each as high as it needs. What is turned over gets it on the shelf, not in the plan. */
function fibre(stack: Stack, rests: readonly Rest[]): Pick<Finding, "fix"> {
	if (stack.step.turnedOver) return {};
	const newId = freshIds(stack.lain, "fibre");
	const supports = rests.flatMap((rest) => supportsUnder(rest, dropOf(rest), newId));
	if (supports.length === 0) return {};
	const heights = [...new Set(supports.map((part) => part.heightMm))].sort((a, b) => a - b);
	const [least, most] = [heights[0] ?? 0, heights.at(-1) ?? 0];
	return {
		fix: {
			label:
				heights.length === 1 ? say`Lay ${{ mm: most }} fibre` : say`Lay fibre of ${{ mm: least }} to ${{ mm: most }}`,
			changes: supports.map((part) => ({ do: "add" as const, part })),
		},
	};
}

/** A scrap of fibre under every stretch that hangs free. */
function supportsUnder(rest: Rest, heightMm: number, newId: () => string): (KitPart & { kind: "fibre" })[] {
	const rings = rest.overhang.filter((ring) => ring.length <= 200 && areaMm2([ring]) > 4);
	return rings.map((ring) => {
		const box = boundsOf([ring]);
		return {
			id: newId(),
			name: "Fibre under",
			kind: "fibre" as const,
			use: "support" as const,
			shape: { kind: "outline", points: centred(ring).map(({ x, y }) => ({ x: tidyMm(x, 0.1), y: tidyMm(y, 0.1) })) },
			heightMm: tidyMm(heightMm, 0.1),
			layer: rest.part.layer,
			firing: rest.part.part.firing,
			xMm: tidyMm((box.minX + box.maxX) / 2, 0.1),
			yMm: tidyMm((box.minY + box.maxY) / 2, 0.1),
			turnDeg: 0,
		};
	});
}
