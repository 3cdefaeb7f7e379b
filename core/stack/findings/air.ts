import { airHoldMin } from "../../firing/demand";
import { areaMm2 } from "../../geometry/region";
import { say } from "../../units/phrase";
import { type Contact, trappedSpanMm } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, middle, names, worstOf } from "./words";

/** A rough pair smaller than this lets its air go, mm². Common practice, no source. */
const ROUGH_FROM_MM2 = 400;

/** Air between sheets: large bubbles under wide sheets, a fine fizz between rough faces. */
export function airFindings({ contacts, lain }: Stack): Finding[] {
	const span = trappedSpanMm(lain);
	const findings: Finding[] = [];
	if (span > 0) {
		findings.push({
			code: "trapped-air",
			severity: "know",
			sentence: say`Sheet lies on sheet over ${{ mm: span }}: air needs ${{ min: airHoldMin(span) }} of bubble hold to get out.`,
			remedy: say`The schedule holds for it. Clean and dry both sheets; damp and dirt lift a bubble.`,
			partIds: [],
		});
	}
	return [...findings, ...roughInside(contacts)];
}

function roughInside(contacts: readonly Contact[]): Finding[] {
	const pairs = contacts
		.map(({ a, b, shared }) => ({
			low: a.layer <= b.layer ? a : b,
			high: a.layer <= b.layer ? b : a,
			mm2: areaMm2(shared),
		}))
		.filter(({ low, high, mm2 }) => low.layer < high.layer && roughUp(low) && roughDown(high) && mm2 >= ROUGH_FROM_MM2);
	if (!holdsAny(pairs)) return [];
	const { low, high, mm2 } = worstOf(pairs, (pair) => pair.mm2);
	const over = (area: number) => ({ mm2: area });
	const total = pairs.reduce((sum, pair) => sum + pair.mm2, 0);
	const turned = [...new Set(pairs.map((pair) => pair.high))];
	return [
		{
			code: "rough-inside",
			severity: "fix",
			sentence:
				pairs.length === 1
					? say`${names([low, high])} meet rough to rough over ${over(total)}: a fine fizz of bubbles stays between.`
					: say`${{ n: pairs.length }} pairs meet rough to rough over ${over(total)}, most where ${names([low, high])} do (${over(mm2)}): a fine fizz of bubbles stays between.`,
			remedy: say`Turn one over: smooth to smooth stays clear.`,
			partIds: [...new Set(pairs.flatMap((pair) => ids([pair.low, pair.high])))],
			at: middle(high),
			places: turned.map(middle),
			fix: {
				label: turned.length === 1 ? say`Turn ${high.name} over` : say`Turn ${{ n: turned.length }} over`,
				changes: turned.map(({ id }) => ({ do: "turnFace", partId: id })),
			},
		},
	];
}

const isRough = ({ glass, part }: Lain) => part.kind === "sheet" && glass?.roughFace === true;
const roughUp = (lain: Lain) => isRough(lain) && lain.part.kind === "sheet" && !lain.part.faceDown;
const roughDown = (lain: Lain) => isRough(lain) && lain.part.kind === "sheet" && lain.part.faceDown;
