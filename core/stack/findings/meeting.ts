import { FUSE_LEVELS, type FuseLevel, LEVEL_AIM, LEVEL_WORDS } from "../../firing/level";
import { isOn } from "../../geometry/inside";
import { nearestOf } from "../../geometry/nearest";
import { apart, areaMm2, intersect, type Point } from "../../geometry/region";
import { say } from "../../units/phrase";
import { afterOf, thicknessAt } from "../after";
import { TOUCH_MM } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { names } from "./words";

/** Wider gaps are never closed by a usual stack, mm. */
const WIDEST_MM = 14;
/** Room that colours in openwork are usually given. Common practice, no source. */
const USUAL_ROOM_MM = 10;

/** Parts laid apart over bare shelf that the firing brings together. */
export function meetingFindings(stack: Stack): Finding[] {
	if (stack.bodies.every(({ after }) => after.mostMm < TOUCH_MM / 2)) return [];
	const gaps = gapsOf(stack);
	const closing = gaps.filter((gap) => closes(gap, stack) && thicknessAt(gap.at, stack.glass) === 0);
	return closing.map(({ a, b, mm, at }) => {
		const calmer = calmerLevel(stack, at, a, b);
		return {
			code: "will-meet",
			severity: "fix" as const,
			sentence: say`${names([a, b])} lie ${{ mm }} apart and meet at ${LEVEL_WORDS[stack.level]}: the gap closes.`,
			remedy: say`Give them ${{ mm: USUAL_ROOM_MM }}, take less glass at the edge, or fire lower.`,
			partIds: [a.id, b.id],
			at,
			...(calmer && {
				fix: {
					label: say`Fire to ${LEVEL_WORDS[calmer]}`,
					changes: [{ do: "level" as const, firing: stack.firing, level: calmer }],
				},
			}),
		};
	});
}

interface Gap {
	a: Lain;
	b: Lain;
	mm: number;
	at: Point;
}

function gapsOf({ glass, contacts }: Stack): Gap[] {
	const meeting = new Set(contacts.map(({ a, b }) => `${a.id} ${b.id}`));
	return glass.flatMap((a, i) =>
		glass.slice(i + 1).flatMap((b): Gap[] => {
			if (apart(a.box, b.box, WIDEST_MM) || meeting.has(`${a.id} ${b.id}`)) return [];
			const near = nearestOf(a.region, b.region);
			if (near.mm <= TOUCH_MM || near.mm > WIDEST_MM) return [];
			return [{ a, b, mm: near.mm, at: { x: (near.a.x + near.b.x) / 2, y: (near.a.y + near.b.y) / 2 } }];
		}),
	);
}

function closes({ a, b, at }: Gap, { bodies }: Stack): boolean {
	const [one, other] = [a, b].map((part) => bodies.find(({ parts }) => parts.includes(part)));
	if (!one || !other) return false;
	if (one === other) return isOn(at, one.after.region);
	return (
		areaMm2(intersect(one.after.region, other.after.region)) > 0.5 &&
		(isOn(at, one.after.region) || isOn(at, other.after.region))
	);
}

/** The next gentler level at which this gap stays open. */
function calmerLevel(stack: Stack, at: Point, a: Lain, b: Lain): FuseLevel | undefined {
	const lower = FUSE_LEVELS.slice(FUSE_LEVELS.indexOf("tack"), FUSE_LEVELS.indexOf(stack.level)).reverse();
	const bodies = stack.bodies.filter(({ parts }) => parts.includes(a) || parts.includes(b));
	return lower.find((level) => bodies.every(({ parts }) => !isOn(at, afterOf(parts, LEVEL_AIM[level]).region)));
}
