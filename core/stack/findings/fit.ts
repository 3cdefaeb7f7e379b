import type { FuseLevel } from "../../firing/level";
import { boundsOf } from "../../geometry/bounds";
import { outerRing } from "../../geometry/outer-ring";
import type { Change } from "../../kit/change";
import { isWornOut, type Mould, renewAfterOf } from "../../kit/mould";
import { type Blank, overRimMm, RULER_MM, SHORT_MM, shortOfMouldMm } from "../../kit/mould-fit";
import { type Phrase, say } from "../../units/phrase";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import { peakCOf } from "../outlook";
import type { Stack } from "../stack";
import { sized } from "./coating";
import { ids } from "./words";

/** A cover overlaps a frame's opening by this all round, mm. Common practice, no source. */
const FRAME_OVERLAP_MM = 12;
/** Blank against mould, cover against frame, height against kiln. */
export const fitFindings = (stack: Stack): Finding[] => [
	...mouldFindings(stack),
	...frameFindings(stack),
	...heightFindings(stack),
];

const firedBox = ({ bodies }: Stack) => boundsOf(bodies.flatMap(({ after }) => after.region));

function mouldFindings(stack: Stack): Finding[] {
	return stack.design.route.flatMap((step, i) => {
		const mould = step.mouldId ? stack.book.moulds?.get(step.mouldId) : undefined;
		if (step.level === "slump" && !mould) {
			return [
				{
					code: "no-mould",
					severity: "know" as const,
					sentence: say`Firing ${{ n: i + 1 }} slumps, but no mould is named: nobody can say whether the blank fits.`,
					remedy: say`Choose the mould at the route; the blank is cut from the mould’s size.`,
					partIds: [],
				},
			];
		}
		if (!mould) return [];
		return [...blankFindings(stack, mould), ...heatFindings(stack, i, step.level, mould), ...stateFindings(mould)];
	});
}

/** The blank as it comes out, round the middle of its box. */
function blankOf(stack: Stack): Blank {
	const regions = stack.bodies.map(({ after }) => after.region);
	const { widthMm, heightMm } = boundsOf(regions.flat());
	return { widthMm, heightMm, outline: outerRing(regions) };
}

/** What is cast in a mould has to lie in it; how much of it there may be is told as a casting. */
function castFindings({ glass }: Stack, mould: Mould): Finding[] {
	const regions = glass.map(({ region }) => region);
	const { widthMm, heightMm } = boundsOf(regions.flat());
	const over = overRimMm(mould, { widthMm, heightMm, outline: outerRing(regions) });
	if (over <= RULER_MM) return [];
	return [
		{
			code: "over-rim",
			severity: "fix",
			sentence: say`It is laid ${{ mm: over }} larger than the ${{ mm: mould.widthMm }} opening of ${mould.name}: it does not lie in it.`,
			remedy: say`Cut or fill it ${{ mm: mould.widthMm }} × ${{ mm: mould.heightMm }} at most.`,
			partIds: ids(glass),
		},
	];
}

function blankFindings(stack: Stack, mould: Mould): Finding[] {
	if (mould.kind === "ring") return castFindings(stack, mould);
	const blank = blankOf(stack);
	const [over, short] = [overRimMm(mould, blank), shortOfMouldMm(mould, blank)];
	const edgeMm = stack.bodies[0]?.after.mostMm ?? 0;
	const cut = (mm: number) => Math.floor(mm - 2 * Math.max(0, edgeMm));
	const bases = basesOf(stack);
	if (mould.kind === "stand") return standFindings(mould, bases, short, blank);
	if (mould.kind === "drape" && short > 0) {
		const fix = cutTo(bases, Math.ceil(mould.widthMm), Math.ceil(mould.heightMm), say`Cut it to the form`);
		return [
			{
				code: "short-of-form",
				severity: "fix",
				sentence: say`The blank comes out ${{ mm: short }} short of ${mould.name}, which it is draped over: it stands on the form’s edge and wobbles.`,
				remedy: say`Cut it ${{ mm: Math.ceil(mould.widthMm) }} × ${{ mm: Math.ceil(mould.heightMm) }} or more.`,
				partIds: ids(bases),
				...(fix && { fix }),
			},
		];
	}
	const isRound = mould.opening === "round";
	const fix = cutTo(bases, cut(mould.widthMm), cut(mould.heightMm), say`Cut it to the mould`);
	const its = { partIds: ids(bases), ...(fix && !(isRound && over > 0) && { fix }) };
	if (over > RULER_MM)
		return [
			{
				code: "over-rim",
				severity: "fix",
				sentence: isRound
					? say`The blank reaches ${{ mm: over }} further than the ${{ mm: mould.widthMm }} across of ${mould.name}: it hangs over the rim and cracks.`
					: say`The blank comes out ${{ mm: over }} larger than the ${{ mm: mould.widthMm }} opening of ${mould.name}: it hangs over the rim and cracks.`,
				remedy: isRound
					? say`Cut it round, ${{ mm: cut(mould.widthMm) }} across, or so small that its corners lie inside.`
					: say`Cut the blank from the mould: ${{ mm: cut(mould.widthMm) }} × ${{ mm: cut(mould.heightMm) }}.`,
				...its,
			},
		];
	if (mould.kind === "drape" || short <= SHORT_MM) return [];
	return [
		{
			code: "short-of-rim",
			severity: "know",
			sentence: say`The blank comes out ${{ mm: short }} short of the opening of ${mould.name}: it sinks in and may stand crooked.`,
			remedy: say`Cut the blank from the mould: ${{ mm: cut(mould.widthMm) }} × ${{ mm: cut(mould.heightMm) }}.`,
			...its,
		},
	];
}

/** A blank that is bent over two curves lies on both, or it wobbles. */
function standFindings(mould: Mould, bases: readonly Lain[], short: number, blank: Blank): Finding[] {
	if (short <= RULER_MM) return [];
	const lengthMm = Math.ceil(mould.widthMm);
	const upright = blank.heightMm > blank.widthMm;
	const [w, h] = upright ? [blank.widthMm, lengthMm] : [lengthMm, blank.heightMm];
	const fix = cutTo(bases, Math.round(w), Math.round(h), say`Cut it ${{ mm: lengthMm }} long`);
	return [
		{
			code: "short-of-form",
			severity: "fix",
			sentence: say`The blank comes out ${{ mm: short }} short of the ${{ mm: mould.widthMm }} over both curves of ${mould.name}: it lies on one of them and wobbles.`,
			remedy: say`Cut it ${{ mm: lengthMm }} long or more.`,
			partIds: ids(bases),
			...(fix && { fix }),
		},
	];
}

/** A firing that is hotter than its mould bears. */
function heatFindings(stack: Stack, i: number, level: FuseLevel, mould: Mould): Finding[] {
	const peakC = peakCOf(stack, level);
	if (mould.kind === "frame" || peakC <= mould.maxC) return [];
	return [
		{
			code: "mould-heat",
			severity: "stop",
			sentence: say`Firing ${{ n: i + 1 }} goes to ${{ c: peakC }}; ${mould.name} bears ${{ c: mould.maxC }}.`,
			remedy: say`Take a mould that bears it, or fire it to a gentler level.`,
			partIds: [],
		},
	];
}

/** The cuts that the blank's size comes from: all that reach as far as the whole. */
function basesOf({ glass }: Stack): Lain[] {
	const all = boundsOf(glass.flatMap(({ region }) => region));
	return glass.filter(
		({ box, part }) =>
			part.kind === "sheet" && Math.abs(box.widthMm - all.widthMm) < 1 && Math.abs(box.heightMm - all.heightMm) < 1,
	);
}

/** One press that cuts every such part to a size; nothing where one of them has no plain sizes. */
function cutTo(
	bases: readonly Lain[],
	widthMm: number,
	heightMm: number,
	label: Phrase,
): NonNullable<Finding["fix"]> | undefined {
	const changes = bases.flatMap((base): Change[] => {
		const shape = sized(base, widthMm, heightMm);
		return shape ? [{ do: "resize", partId: base.id, shape }] : [];
	});
	return changes.length > 0 && changes.length === bases.length ? { label, changes } : undefined;
}

function stateFindings(mould: Mould): Finding[] {
	const findings: Finding[] = [];
	if (mould.release === "bare") {
		findings.push({
			code: "mould-bare",
			severity: "fix",
			sentence: say`${mould.name} has been fired ${{ n: mould.usesSince }} times since its release was renewed and stands bare: glass sticks to it.`,
			remedy: say`Wash or paper it again, and let it dry.`,
			partIds: [],
		});
	}
	if (isWornOut(mould)) {
		findings.push({
			code: "mould-worn",
			severity: "know",
			sentence: say`${mould.name} has been fired ${{ n: mould.usesSince }} times since it was ${mould.release}; that is renewed after ${{ n: renewAfterOf(mould) }}.`,
			remedy:
				mould.release === "papered"
					? say`Lay fresh paper before the next firing.`
					: say`Scrape it, wash it again, and let it dry.`,
			partIds: [],
		});
	}
	if (mould.kind === "dish" && !mould.vented && mould.depthMm > 15) {
		findings.push({
			code: "mould-vent",
			severity: "know",
			sentence: say`${mould.name} is ${{ mm: mould.depthMm }} deep without a vent hole: air stays under the glass.`,
			remedy: say`Drill a vent, or lift the mould off the shelf a little.`,
			partIds: [],
		});
	}
	return findings;
}

function frameFindings(stack: Stack): Finding[] {
	const frame = stack.design.frameId ? stack.book.moulds?.get(stack.design.frameId) : undefined;
	if (!frame) return [];
	const { widthMm, heightMm } = firedBox(stack);
	const need = [frame.widthMm + 2 * FRAME_OVERLAP_MM, frame.heightMm + 2 * FRAME_OVERLAP_MM] as const;
	const short = Math.max(need[0] - widthMm, need[1] - heightMm);
	if (short <= 0.5) return [];
	const bases = basesOf(stack);
	const fix = cutTo(bases, need[0] + 2, need[1] + 2, say`Cut it to the frame`);
	return [
		{
			code: "frame-short",
			severity: "fix",
			sentence: say`It ends ${{ mm: short }} too small for ${frame.name}: a cover overlaps the opening ${{ mm: FRAME_OVERLAP_MM }} all round.`,
			remedy: say`Cut it ${{ mm: need[0] }} × ${{ mm: need[1] }} or more, plus what is trimmed.`,
			partIds: ids(bases),
			...(fix && { fix }),
		},
	];
}

function heightFindings({ rests, lain, step, book }: Stack): Finding[] {
	const mouldMm = (step.mouldId && book.moulds?.get(step.mouldId)?.depthMm) || 0;
	const tallest = Math.max(
		0,
		...rests.map(({ restMm, part }) => restMm + part.bulkMm),
		...lain.filter(({ part }) => part.kind === "dam").map(({ bulkMm }) => bulkMm),
	);
	const clear = book.clearHeightMm;
	if (clear === undefined || tallest + mouldMm <= clear) return [];
	return [
		{
			code: "too-high",
			severity: "fix",
			sentence: say`${{ mm: tallest + mouldMm }} high: the tallest kiln has ${{ mm: clear }} clear.`,
			remedy: say`Build lower, or take a flatter mould.`,
			partIds: [],
		},
	];
}
