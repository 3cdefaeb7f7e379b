import { airHoldMin } from "../../firing/demand";
import { areaMm2 } from "../../geometry/region";
import { say } from "../../units/phrase";
import { trappedSpanMm } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { ids, names } from "./words";

/** A rough pair smaller than this lets its air go, mm². Common practice, no source. */
const ROUGH_FROM_MM2 = 400;

/** Air between sheets: large bubbles under wide sheets, a fine fizz between rough faces. */
export function airFindings({ contacts }: Stack): Finding[] {
	const span = trappedSpanMm(contacts);
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
	for (const { a, b, shared } of contacts) {
		const [low, high] = a.layer <= b.layer ? [a, b] : [b, a];
		if (low.layer === high.layer || !roughUp(low) || !roughDown(high) || areaMm2(shared) < ROUGH_FROM_MM2) continue;
		findings.push({
			code: "rough-inside",
			severity: "fix",
			sentence: say`${names([low, high])} meet rough to rough over ${{ n: Math.round(areaMm2(shared) / 100) }} cm²: a fine fizz of bubbles stays between.`,
			remedy: say`Turn one over: smooth to smooth stays clear.`,
			partIds: ids([low, high]),
			fix: { label: say`Turn ${high.name} over`, changes: [{ do: "turnFace", partId: high.id }] },
		});
	}
	return findings;
}

const isRough = ({ glass, part }: Lain) => part.kind === "sheet" && glass?.roughFace === true;
const roughUp = (lain: Lain) => isRough(lain) && lain.part.kind === "sheet" && !lain.part.faceDown;
const roughDown = (lain: Lain) => isRough(lain) && lain.part.kind === "sheet" && lain.part.faceDown;
