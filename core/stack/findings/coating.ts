import { areaMm2, boundsOf, subtract } from "../../geometry/region";
import type { CutShape } from "../../geometry/shape";
import { say } from "../../units/phrase";
import { afterOf } from "../after";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { ids, middle } from "./words";

/** A cap reaches this far beyond the coating once it has drawn in, mm. Common practice, no source. */
const COVER_MM = 1;

/** Dichroic glass wants a cap a little larger than itself and a little smaller than the base, after the cap has drawn in. */
export function coatingFindings(stack: Stack): Finding[] {
	return stack.glass
		.filter(({ part, glass }) => part.kind === "sheet" && glass?.coating === "dichroic")
		.flatMap((coated) => {
			const above = stack.glass.filter(
				(other) => other.layer > coated.layer && other.part.kind === "sheet" && overlaps(other, coated),
			);
			const cap = above[0];
			return cap ? capFinding(stack, coated, cap) : bareFinding(stack, coated);
		});
}

const overlaps = (a: Lain, b: Lain): boolean => areaMm2(subtract(b.region, a.region)) < b.areaMm2 * 0.5;

function bareFinding({ level }: Stack, coated: Lain): Finding[] {
	if (coated.part.kind === "sheet" && coated.part.faceDown) return [];
	return [
		{
			code: "coating-bare",
			severity: "know",
			sentence: say`${coated.name} has ${{ n: Math.round(coated.areaMm2) }} mm² of bare coating: it bleeds at the edge at ${level}.`,
			remedy: say`Some want that. Cap it with clear cut ${{ mm: COVER_MM }} larger all round if you do not.`,
			partIds: ids([coated]),
			at: middle(coated),
		},
	];
}

function capFinding(stack: Stack, coated: Lain, cap: Lain): Finding[] {
	const drawsMm = Math.max(0, -afterOf([cap], stack.flow).leastMm);
	const base = stack.glass.filter(({ layer }) => layer < coated.layer);
	const baseBox = boundsOf(base.flatMap(({ region }) => region));
	const needMm = 2 * (drawsMm + COVER_MM);
	const shortMm = Math.max(
		coated.box.widthMm + needMm - cap.box.widthMm,
		coated.box.heightMm + needMm - cap.box.heightMm,
	);
	const overMm =
		base.length === 0 ? 0 : Math.max(cap.box.widthMm - baseBox.widthMm, cap.box.heightMm - baseBox.heightMm);
	if (shortMm <= 0.25 && overMm <= 0) return [];
	const clip = (mm: number, most: number) => Math.round(Math.min(mm, base.length > 0 ? most : mm) * 2) / 2;
	const shape = sized(
		cap,
		clip(coated.box.widthMm + needMm, baseBox.widthMm - 1),
		clip(coated.box.heightMm + needMm, baseBox.heightMm - 1),
	);
	return [
		{
			code: overMm > 0 ? "cap-large" : "cap-short",
			severity: "fix",
			sentence:
				overMm > 0
					? say`${cap.name} is ${{ mm: overMm }} larger than what lies under ${coated.name}: it hangs over the edge.`
					: say`${cap.name} draws in ${{ mm: drawsMm }} a side and ends ${{ mm: shortMm }} short of covering ${coated.name}: the coating bleeds.`,
			remedy: say`Cut the cap ${{ mm: needMm }} larger than the coated part and a little smaller than the base.`,
			partIds: ids([cap, coated]),
			at: middle(cap),
			...(shape && {
				fix: { label: say`Cut the cap to size`, changes: [{ do: "resize" as const, partId: cap.id, shape }] },
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
