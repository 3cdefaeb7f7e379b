import { boundsOf } from "../../geometry/bounds";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import { type Hang, hangOf } from "../hang";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, names } from "./words";

/** Under this nobody sees it, degrees. Common practice, no source. */
const SEEN_DEG = 1;
const CROOKED_DEG = 3;
/** One of two loops should not carry more than this share. Common practice, no source. */
const MOST_SHARE = 0.65;

export const loopsOf = ({ lain }: Pick<Stack, "lain">): Lain[] => lain.filter(({ part }) => part.kind === "loop");
const eyeOf = ({ part }: Lain) => ({ x: part.xMm, y: part.yMm });

/** How the kit hangs on its loops, as drawn. */
export const hangs = (stack: Stack): Hang => hangOf(loopsOf(stack).map(eyeOf), stack.centre);

/** Straight only with the centre of mass under the loop; held only between two layers. */
export function hangingFindings(stack: Stack): Finding[] {
	const loops = loopsOf(stack);
	return [...tiltFindings(stack, loops), ...heldFindings(stack, loops)];
}

function tiltFindings(stack: Stack, loops: readonly Lain[]): Finding[] {
	const hang = hangOf(loops.map(eyeOf), stack.centre);
	const [loop] = loops;
	if (!loop) return [];
	if (loops.length > 2) {
		return [
			{
				code: "many-loops",
				severity: "know",
				sentence: say`${{ n: loops.length }} loops: which of them carry depends on the cords.`,
				remedy: say`Two loops, equally far from the ends, can be reckoned.`,
				partIds: ids(loops),
			},
		];
	}
	if (hang.loops === 1) {
		if (Math.abs(hang.tiltDeg) < SEEN_DEG) return [];
		const side = hang.asideMm > 0 ? "left" : "right";
		return [
			{
				code: "hangs-crooked",
				severity: Math.abs(hang.tiltDeg) >= CROOKED_DEG ? "fix" : "know",
				sentence: say`Hangs ${{ deg: Math.abs(hang.tiltDeg) }} off plumb: the loop is ${{ mm: Math.abs(hang.asideMm) }} ${side} of the centre of mass.`,
				remedy: say`Put the loop over the centre of mass.`,
				partIds: ids([loop]),
				at: stack.centre,
				fix: {
					label: say`Move the loop ${{ mm: Math.abs(hang.asideMm) }}`,
					changes: [{ do: "move", partIds: [loop.id], byMm: { x: hang.asideMm, y: 0 } }],
				},
			},
		];
	}
	return hang.loops === 2 ? twoLoops(stack, loops, hang) : [];
}

function twoLoops(stack: Stack, loops: readonly Lain[], hang: Extract<Hang, { loops: 2 }>): Finding[] {
	const most = Math.max(...hang.shares);
	const [left, right] = [...loops].sort((a, b) => a.part.xMm - b.part.xMm) as [Lain, Lain];
	const findings: Finding[] = [];
	if (most > MOST_SHARE) {
		const aside = stack.centre.x - (left.part.xMm + right.part.xMm) / 2;
		findings.push({
			code: "uneven-loops",
			severity: most > 1 ? "fix" : "know",
			sentence:
				most > 1
					? say`The centre of mass lies ${{ mm: Math.abs(aside) }} beside the middle of the loops, outside both: it tips over.`
					: say`One loop carries ${{ n: Math.round(most * 100) }} % of the weight, the other ${{ n: Math.round((1 - most) * 100) }} %.`,
			remedy: say`Put both loops equally far from the centre of mass.`,
			partIds: ids(loops),
			at: stack.centre,
			fix: {
				label: say`Move both ${{ mm: Math.abs(aside) }}`,
				changes: [{ do: "move", partIds: ids(loops), byMm: { x: aside, y: 0 } }],
			},
		});
	}
	if (Math.abs(hang.tiltDeg) >= SEEN_DEG) {
		findings.push({
			code: "loops-uneven-height",
			severity: Math.abs(hang.tiltDeg) >= CROOKED_DEG ? "fix" : "know",
			sentence: say`One loop is ${{ mm: Math.abs(right.part.yMm - left.part.yMm) }} higher: on even cords it hangs ${{ deg: Math.abs(hang.tiltDeg) }} off plumb.`,
			remedy: say`Put both loops at one height.`,
			partIds: ids(loops),
			fix: {
				label: say`Level the loops`,
				changes: [{ do: "move", partIds: [right.id], byMm: { x: 0, y: left.part.yMm - right.part.yMm } }],
			},
		});
	}
	return findings;
}

function heldFindings(stack: Stack, loops: readonly Lain[]): Finding[] {
	const bare = loops.filter((loop) => !isHeld(stack, loop));
	if (!holdsAny(bare)) return [];
	const [{ part }] = bare;
	return [
		{
			code: "loop-bare",
			severity: "fix",
			sentence: say`${names(bare)} ${bare.length === 1 ? "does" : "do"} not lie between two layers: ${bare.length === 1 ? "its" : "the"} ${{ mm: part.kind === "loop" ? part.tailMm : 0 }} tail pulls out.`,
			remedy: say`Lay glass under and over the tail, and a scrap of fibre under the eye.`,
			partIds: ids(bare),
			at: eyeOf(bare[0]),
			places: bare.map(eyeOf),
		},
	];
}

/** Glass lies under its tail and over it. */
function isHeld(stack: Stack, loop: Lain): boolean {
	const tail = boundsOf(loop.region.slice(-1));
	const at = { x: (tail.minX + tail.maxX) / 2, y: tail.minY + 1 };
	const over = stack.columns.find(
		({ box, parts }) =>
			at.x >= box.minX &&
			at.x <= box.maxX &&
			at.y >= box.minY &&
			at.y <= box.maxY &&
			parts.some(({ glassMm }) => glassMm > 0),
	);
	const glass = over?.parts.filter(({ glassMm }) => glassMm > 0) ?? [];
	return glass.some(({ layer }) => layer < loop.layer) && glass.some(({ layer }) => layer > loop.layer);
}
