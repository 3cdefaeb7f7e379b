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

/** Dichroic glass wants a cap a little larger than itself and a little smaller than the base, after the cap has drawn in. */
export function coatingFindings(stack: Stack): Finding[] {
	const coated = stack.glass.filter(({ part, glass }) => part.kind === "sheet" && glass?.coating === "dichroic");
	const drawn = new Map<string, number>();
	const capped = coated.flatMap((one) => capOf(stack, one, drawn));
	const covered = new Set(capped.map((one) => one.coated));
	return [
		...bare(
			stack,
			coated.filter((one) => !covered.has(one) && !(one.part.kind === "sheet" && one.part.faceDown)),
		),
		...ill(
			capped.filter(({ overMm }) => overMm > 0),
			"cap-large",
		),
		...ill(
			capped.filter(({ overMm, shortMm }) => overMm <= 0 && shortMm > 0.25),
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

/** A coated part and the sheet over it. mm */
interface Capped {
	coated: Lain;
	cap: Lain;
	/** How far the cap draws in, a side. */
	drawsMm: number;
	/** How much larger than the coated part it has to be. */
	needMm: number;
	/** How far it ends short of covering. */
	shortMm: number;
	/** How far it hangs over what lies under the coated part. */
	overMm: number;
	/** The cap in its right size; undefined where that is not one number or two. */
	shape: CutShape | undefined;
}

/** @param drawn how far caps of a shape and glass draw in, so that equal ones are reckoned once */
function capOf(stack: Stack, coated: Lain, drawn: Map<string, number>): Capped[] {
	const cap = stack.glass.find(
		(other) => other.layer > coated.layer && other.part.kind === "sheet" && overlaps(other, coated),
	);
	if (!cap) return [];
	const kind = JSON.stringify([cap.part.kind === "sheet" && cap.part.shape, cap.glassMm]);
	const drawsMm = drawn.get(kind) ?? Math.max(0, -afterOf([cap], stack.flow).leastMm);
	drawn.set(kind, drawsMm);
	const base = stack.glass.filter(({ layer, box }) => layer < coated.layer && !apart(box, coated.box));
	const baseBox = boundsOf(base.flatMap(({ region }) => region));
	const needMm = 2 * (drawsMm + COVER_MM);
	const shortMm = Math.max(
		coated.box.widthMm + needMm - cap.box.widthMm,
		coated.box.heightMm + needMm - cap.box.heightMm,
	);
	const overMm =
		base.length === 0 ? 0 : Math.max(cap.box.widthMm - baseBox.widthMm, cap.box.heightMm - baseBox.heightMm);
	const clip = (mm: number, most: number) => Math.round(Math.min(mm, base.length > 0 ? most : mm) * 2) / 2;
	const shape = sized(
		cap,
		clip(coated.box.widthMm + needMm, baseBox.widthMm - 1),
		clip(coated.box.heightMm + needMm, baseBox.heightMm - 1),
	);
	return [{ coated, cap, drawsMm, needMm, shortMm, overMm, shape }];
}

function ill(capped: readonly Capped[], code: "cap-large" | "cap-short"): Finding[] {
	if (!holdsAny(capped)) return [];
	const large = code === "cap-large";
	const { coated, cap, drawsMm, needMm, shortMm, overMm } = worstOf(capped, (one) =>
		large ? one.overMm : one.shortMm,
	);
	const changes = capped.flatMap((one): Change[] =>
		one.shape ? [{ do: "resize", partId: one.cap.id, shape: one.shape }] : [],
	);
	const more = capped.length === 1 ? "" : ` The same at ${capped.length - 1} more.`;
	return [
		{
			code,
			severity: "fix",
			sentence: large
				? say`${cap.name} is ${{ mm: overMm }} larger than what lies under ${coated.name}: it hangs over the edge.${more}`
				: say`${cap.name} draws in ${{ mm: drawsMm }} a side and ends ${{ mm: shortMm }} short of covering ${coated.name}: the coating bleeds.${more}`,
			remedy: say`Cut the cap ${{ mm: needMm }} larger than the coated part and a little smaller than the base.`,
			partIds: capped.flatMap((one) => ids([one.cap, one.coated])),
			at: middle(cap),
			places: capped.map((one) => middle(one.cap)),
			...(changes.length > 0 && {
				fix: { label: changes.length === 1 ? say`Cut the cap to size` : say`Cut the caps to size`, changes },
			}),
		},
	];
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
