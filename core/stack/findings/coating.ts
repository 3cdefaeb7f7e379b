import { LEVEL_WORDS } from "../../firing/level";
import { apart, boundsOf } from "../../geometry/bounds";
import { areaMm2, subtract } from "../../geometry/region";
import type { CutShape } from "../../geometry/shape";
import type { Change } from "../../kit/change";
import { say } from "../../units/phrase";
import { afterOf } from "../after";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, middle, worstOf } from "./words";

/** A cap reaches this far beyond the coating once it has drawn in, mm. Common practice, no source. */
const COVER_MM = 1;
/** Less is not seen, mm. */
const NOTHING_MM = 0.25;

/** Dichroic glass wants a cap a little larger than itself and a little smaller than the base, after the cap has drawn in. */
export function coatingFindings(stack: Stack): Finding[] {
	const coated = stack.glass.filter(({ part, glass }) => part.kind === "sheet" && glass?.coating === "dichroic");
	const drawn = new Map<string, number>();
	const capped = coated.flatMap((one) => capOf(stack, one, drawn));
	const covered = new Set(capped.map((one) => one.coated));
	const never = capped.filter(({ bareMm }) => bareMm > NOTHING_MM);
	const others = capped.filter((one) => !never.includes(one));
	return [
		...bare(
			stack,
			coated.filter((one) => !covered.has(one) && !(one.part.kind === "sheet" && one.part.faceDown)),
		),
		...uncoverable(never),
		...ill(
			others.filter(({ overMm }) => overMm > 0),
			"cap-large",
		),
		...ill(
			others.filter(({ overMm, shortMm }) => overMm <= 0 && shortMm > NOTHING_MM),
			"cap-short",
		),
	];
}

const overlaps = (a: Lain, b: Lain): boolean => areaMm2(subtract(b.region, a.region)) < b.areaMm2 * 0.5;

function bare({ level }: Stack, coated: readonly Lain[]): Finding[] {
	if (!holdsAny(coated)) return [];
	const largest = worstOf(coated, ({ areaMm2: mm2 }) => mm2);
	const mm2 = { n: Math.round(coated.reduce((sum, one) => sum + one.areaMm2, 0)) };
	return [
		{
			code: "coating-bare",
			severity: "know",
			sentence:
				coated.length === 1
					? say`${largest.name} has ${mm2} mm² of bare coating: it bleeds at the edge at ${LEVEL_WORDS[level]}.`
					: say`${{ n: coated.length }} parts have ${mm2} mm² of bare coating: they bleed at the edge at ${LEVEL_WORDS[level]}.`,
			remedy: say`Some want that. Cap it with clear cut ${{ mm: COVER_MM }} larger all round if you do not.`,
			partIds: ids(coated),
			at: middle(largest),
			places: coated.map(middle),
		},
	];
}

interface Size {
	widthMm: number;
	heightMm: number;
}

/** A coated part and the sheet over it. mm */
interface Capped {
	coated: Lain;
	cap: Lain;
	/** How far the cap draws in, a side. */
	drawsMm: number;
	/** How far it ends short of covering. */
	shortMm: number;
	/** How far it hangs over what lies under the coated part. */
	overMm: number;
	/** The size that covers, or the largest that its base carries; and what that leaves bare: 0 where it covers. */
	right: Size;
	bareMm: number;
	/** The right size is as large as the base bears: its edge goes with the base’s. */
	isAtRim: boolean;
	/** The coated part as large as a cap can cover. */
	coverable: Size;
}

/** A cap that ends this near to the edge of its base, a side, sticks to it there and moves as it does, mm. Common practice, no source. */
const RIM_MM = 1;
/** A cap is this much smaller than its base, mm. */
const SMALLER_MM = 1;

/** @param drawn how far caps of a shape and glass draw in, so that equal ones are reckoned once */
function capOf(stack: Stack, coated: Lain, drawn: Map<string, number>): Capped[] {
	const cap = stack.glass.find(
		(other) => other.layer > coated.layer && other.part.kind === "sheet" && overlaps(other, coated),
	);
	if (!cap) return [];
	const base = stack.glass.filter(({ layer, box }) => layer < coated.layer && !apart(box, coated.box));
	const baseBox = base.length > 0 ? boundsOf(base.flatMap(({ region }) => region)) : undefined;
	const itself = drawnIn(cap, stack.flow, drawn);
	const withBase = Math.max(0, -(stack.bodies.find(({ parts }) => parts.includes(cap))?.after.leastMm ?? 0));
	const [across, up] = (["widthMm", "heightMm"] as const).map((side) =>
		along(coated.box[side], cap.box[side], baseBox?.[side] ?? Number.POSITIVE_INFINITY, itself, withBase),
	) as [Along, Along];
	return [
		{
			...{ coated, cap },
			drawsMm: Math.max(across.drawsMm, up.drawsMm),
			shortMm: Math.max(across.shortMm, up.shortMm),
			overMm: baseBox ? Math.max(across.overMm, up.overMm) : 0,
			bareMm: Math.max(0, across.bareMm, up.bareMm),
			isAtRim: across.isAtRim || up.isAtRim,
			right: { widthMm: across.rightMm, heightMm: up.rightMm },
			coverable: { widthMm: across.coverableMm, heightMm: up.coverableMm },
		},
	];
}

type Along = ReturnType<typeof along>;

/** One way across a cap, mm: it draws in by itself, or with its base where it ends at the base’s edge. */
function along(coated: number, cap: number, base: number, itself: number, withBase: number) {
	const drawsMm = cap >= base - 2 * RIM_MM ? withBase : itself;
	const wanted = coated + 2 * (itself + COVER_MM);
	const most = base - SMALLER_MM;
	const isAtRim = wanted > most;
	const half = (mm: number) => Math.round(mm * 2) / 2;
	return {
		drawsMm,
		shortMm: coated + 2 * (drawsMm + COVER_MM) - cap,
		overMm: cap - base,
		isAtRim,
		rightMm: half(Math.min(wanted, most)),
		bareMm: isAtRim ? coated + 2 * (withBase + COVER_MM) - most : 0,
		coverableMm: Math.min(coated, Math.floor((most - 2 * (withBase + COVER_MM)) * 2) / 2),
	};
}

function drawnIn(cap: Lain, flow: number, drawn: Map<string, number>): number {
	const kind = JSON.stringify([cap.part.kind === "sheet" && cap.part.shape, cap.glassMm]);
	const mm = drawn.get(kind) ?? Math.max(0, -afterOf([cap], flow).leastMm);
	drawn.set(kind, mm);
	return mm;
}

function ill(capped: readonly Capped[], code: "cap-large" | "cap-short"): Finding[] {
	if (!holdsAny(capped)) return [];
	const large = code === "cap-large";
	const { coated, cap, drawsMm, shortMm, overMm, right, isAtRim } = worstOf(capped, (one) =>
		large ? one.overMm : one.shortMm,
	);
	const changes = capped.flatMap((one) => resized(one.cap, one.right));
	const more = capped.length === 1 ? "" : ` The same at ${capped.length - 1} more.`;
	const size = say`${{ mm: right.widthMm }} × ${{ mm: right.heightMm }}`;
	return [
		{
			code,
			severity: "fix",
			sentence: large
				? say`${cap.name} is ${{ mm: overMm }} larger than what lies under ${coated.name}: it hangs over the edge.${more}`
				: say`${cap.name} draws in ${{ mm: drawsMm }} a side and ends ${{ mm: shortMm }} short of covering ${coated.name}: the coating bleeds.${more}`,
			remedy: [
				...say`Cut the cap `,
				...size,
				...(isAtRim
					? say`, only just smaller than the base: there its edge goes with the base’s.`
					: say`: larger than the coated part by what it draws in, and smaller than the base.`),
			],
			partIds: capped.flatMap((one) => ids([one.cap, one.coated])),
			at: middle(cap),
			places: capped.map((one) => middle(one.cap)),
			...(changes.length > 0 && {
				fix: { label: changes.length === 1 ? say`Cut the cap to size` : say`Cut the caps to size`, changes },
			}),
		},
	];
}

/** Coated parts so large that no cap which their base carries covers them. */
function uncoverable(capped: readonly Capped[]): Finding[] {
	if (!holdsAny(capped)) return [];
	const { coated, cap, bareMm, right, coverable } = worstOf(capped, (one) => one.bareMm);
	const canShrink = capped.every((one) => Math.min(one.coverable.widthMm, one.coverable.heightMm) >= LEAST_CUT_MM);
	const changes = canShrink
		? capped.flatMap((one) => [...resized(one.coated, one.coverable), ...resized(one.cap, one.right)])
		: [];
	const more = capped.length === 1 ? "" : ` The same at ${capped.length - 1} more.`;
	return [
		{
			code: "cap-short",
			severity: "fix",
			sentence: say`No cap covers ${coated.name}: its base carries one of ${{ mm: right.widthMm }} × ${{ mm: right.heightMm }} at most, and ${cap.name} in that size ends ${{ mm: bareMm }} short.${more}`,
			remedy: canShrink
				? say`Cut ${coated.name} ${{ mm: coverable.widthMm }} × ${{ mm: coverable.heightMm }}, or take a larger base.`
				: say`Take a larger base, or leave the coating bare.`,
			partIds: capped.flatMap((one) => ids([one.cap, one.coated])),
			at: middle(coated),
			places: capped.map((one) => middle(one.coated)),
			...(changes.length > 0 && { fix: { label: say`Cut coating and cap to size`, changes } }),
		},
	];
}

/** Nobody cuts a coated part smaller than this, mm. */
const LEAST_CUT_MM = 3;

function resized(lain: Lain, { widthMm, heightMm }: Size): Change[] {
	const shape = sized(lain, widthMm, heightMm);
	return shape ? [{ do: "resize", partId: lain.id, shape }] : [];
}

/** The part's own kind of shape in another size, mm, as it lies; undefined where that is not one number or two. */
export function sized({ part }: Lain, widthMm: number, heightMm: number): CutShape | undefined {
	if (!("shape" in part)) return undefined;
	const turned = Math.round(part.turnDeg / 90) % 2 !== 0;
	const [w, h] = turned ? [heightMm, widthMm] : [widthMm, heightMm];
	if (part.turnDeg % 90 !== 0 && part.shape.kind !== "circle") return undefined;
	switch (part.shape.kind) {
		case "square":
			return w === h ? { kind: "square", sideMm: w } : { kind: "rectangle", widthMm: w, heightMm: h };
		case "rectangle":
			return { kind: "rectangle", widthMm: w, heightMm: h };
		case "strip":
			return { kind: "strip", lengthMm: w, widthMm: h };
		case "circle":
			return { kind: "circle", diameterMm: Math.max(w, h) };
		default:
			return undefined;
	}
}
