import { areaMm2, boundsOf } from "../../geometry/region";
import { centred } from "../../geometry/shape";
import type { KitPart } from "../../kit/kit";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import type { Rest } from "../rest";
import type { Stack } from "../stack";
import { freshId } from "./joins";
import { ids } from "./words";

/** Fibre is sold in these heights, mm. Common practice, no source. */
const FIBRE_MM = [1, 3, 6] as const;

/** What reaches further over nothing than it is thick bends down; fibre of the right height carries it. */
export function overhangFindings(stack: Stack): Finding[] {
	return stack.rests
		.filter(({ part, overhangMm }) => overhangMm > Math.max(part.glassMm, 1) + 0.05)
		.map((rest) => {
			const needMm = rest.restMm - rest.belowMm;
			const supports = supportsUnder(stack, rest, needMm);
			const box = boundsOf(rest.overhang);
			return {
				code: "overhang",
				severity: "fix" as const,
				sentence: say`${rest.part.name} lies over nothing for ${{ mm: rest.overhangMm }}, more than its own ${{ mm: rest.part.glassMm }}: it bends down.`,
				remedy: say`Lay ${{ mm: needMm }} of fibre under it${made(needMm)}, or want the bend.`,
				partIds: ids([rest.part]),
				at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
				...(supports.length > 0 && {
					fix: {
						label: say`Lay ${{ mm: needMm }} fibre`,
						changes: supports.map((part) => ({ do: "add" as const, part })),
					},
				}),
			};
		});
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
function supportsUnder({ lain }: Stack, rest: Rest, heightMm: number): KitPart[] {
	const rings = rest.overhang.filter((ring) => ring.length <= 200 && areaMm2([ring]) > 4);
	const first = freshId(lain, "fibre");
	return rings.map((ring, i): KitPart => {
		const box = boundsOf([ring]);
		return {
			id: i === 0 ? first : `${first}-${i + 1}`,
			name: "Fibre under",
			kind: "fibre",
			use: "support",
			shape: { kind: "outline", points: centred(ring).map(({ x, y }) => ({ x: tenth(x), y: tenth(y) })) },
			heightMm: tenth(heightMm),
			layer: rest.part.layer,
			firing: rest.part.part.firing,
			xMm: tenth((box.minX + box.maxX) / 2),
			yMm: tenth((box.minY + box.maxY) / 2),
			turnDeg: 0,
		};
	});
}

const tenth = (mm: number) => Math.round(mm * 10) / 10;
