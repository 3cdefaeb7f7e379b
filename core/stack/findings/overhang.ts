import { areaMm2, boundsOf } from "../../geometry/region";
import { centred } from "../../geometry/shape";
import { groupBy } from "../../group-by";
import type { KitPart } from "../../kit/kit";
import { say } from "../../units/phrase";
import { tidyMm } from "../../units/tidy";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Rest } from "../rest";
import type { Stack } from "../stack";
import { freshIds } from "./joins";
import { ids, names } from "./words";

/** Fibre is sold in these heights, mm. Common practice, no source. */
const FIBRE_MM = [1, 3, 6] as const;

/** A part held on both sides sags by itself only over a gap this many times its thickness to the middle. Common practice, no source. */
const SPAN_SHARE = 3;

/** What reaches further over nothing than it is thick bends down; fibre of the right height carries it. */
export function overhangFindings(stack: Stack): Finding[] {
	const tips = stack.rests.filter(({ isSpan, part, overhangMm }) => !isSpan && overhangMm > thickOf(part) + 0.05);
	const spans = stack.rests.filter(({ isSpan, part, overhangMm }) => isSpan && overhangMm > SPAN_SHARE * thickOf(part));
	return [
		...together(tips).map((same) => overhang(stack, same, "overhang")),
		...together(spans).map((same) => overhang(stack, same, "sags")),
	];
}

const thickOf = (part: Lain): number => Math.max(part.glassMm, 1);

/** Parts that need the same height of fibre are one finding. */
const together = (rests: readonly Rest[]): Rest[][] => [
	...groupBy(rests, ({ restMm, belowMm }) => Math.round((restMm - belowMm) * 10)).values(),
];

function overhang(stack: Stack, same: readonly Rest[], code: "overhang" | "sags"): Finding {
	const worst = same.reduce((a, b) => (b.overhangMm > a.overhangMm ? b : a));
	const needMm = worst.restMm - worst.belowMm;
	const box = boundsOf(worst.overhang);
	const newId = freshIds(stack.lain, "fibre");
	const supports = same.flatMap((rest) => supportsUnder(rest, needMm, newId));
	const who = names(same.map(({ part }) => part));
	return {
		code,
		severity: code === "overhang" ? "fix" : "know",
		sentence:
			code === "overhang"
				? say`${who} lies over nothing for ${{ mm: worst.overhangMm }}, more than its own ${{ mm: worst.part.glassMm }}: it bends down.`
				: say`${who} spans ${{ mm: 2 * worst.overhangMm }} over nothing: its middle sags.`,
		remedy: say`Lay ${{ mm: needMm }} of fibre under it${made(needMm)}, or want the bend.`,
		partIds: ids(same.map(({ part }) => part)),
		at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
		...(supports.length > 0 && {
			fix: {
				label: say`Lay ${{ mm: needMm }} fibre`,
				changes: supports.map((part) => ({ do: "add" as const, part })),
			},
		}),
	};
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

/** A scrap of fibre under every stretch that hangs free. */
function supportsUnder(rest: Rest, heightMm: number, newId: () => string): KitPart[] {
	const rings = rest.overhang.filter((ring) => ring.length <= 200 && areaMm2([ring]) > 4);
	return rings.map((ring): KitPart => {
		const box = boundsOf([ring]);
		return {
			id: newId(),
			name: "Fibre under",
			kind: "fibre",
			use: "support",
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
