import { FUSE_LEVELS, type FuseLevel, LEVEL_AIM, LEVEL_WORDS } from "../../firing/level";
import { apart, boundsOf } from "../../geometry/bounds";
import { isOn } from "../../geometry/inside";
import { nearestOf } from "../../geometry/nearest";
import { areaMm2, intersect, offset, subtract } from "../../geometry/region";
import { say } from "../../units/phrase";
import { afterOf, thicknessAt } from "../after";
import { type Body, isLoose, runTogether } from "../bodies";
import { TOUCH_MM } from "../contacts";
import type { Finding, Mend } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import type { Gap } from "./hold-together";
import { holdsAny, ids, names, worstOf } from "./words";

/** Wider gaps are never closed by a usual stack, mm. */
const WIDEST_MM = 14;
/** Parts are beside each other as far as they are no more than this further apart than where they are nearest, mm. */
const CORRIDOR_MM = 0.2;
/** Room that colours in openwork are usually given. Common practice, no source. */
const USUAL_ROOM_MM = 10;

/** Parts laid apart over bare shelf that the firing brings together. */
export function meetingFindings(stack: Stack): Finding[] {
	if (stack.bodies.every(({ after }) => after.mostMm < TOUCH_MM / 2)) return [];
	const bodyOf = new Map(stack.bodies.flatMap((body) => body.parts.map((part) => [part, body] as const)));
	const closing = gapsOf(stack, bodyOf).filter((gap) => closes(gap, bodyOf) && isOverShelf(gap, stack));
	if (!holdsAny(closing)) return [];
	const widest = worstOf(closing, ({ mm }) => mm);
	const fix = calmer(stack, closing, bodyOf);
	return [
		{
			code: "will-meet",
			severity: "fix",
			sentence:
				closing.length === 1
					? say`${names([widest.a, widest.b])} lie ${{ mm: widest.mm }} apart and meet at ${LEVEL_WORDS[stack.level]}: the gap closes.`
					: say`${{ n: closing.length }} gaps close at ${LEVEL_WORDS[stack.level]}, up to the ${{ mm: widest.mm }} between ${names([widest.a, widest.b])}.`,
			remedy: say`Give them ${{ mm: USUAL_ROOM_MM }}, take less glass at the edge, or fire lower.`,
			partIds: [...new Set(closing.flatMap(({ a, b }) => ids([a, b])))],
			at: widest.at,
			places: closing.map(({ at }) => at),
			...(fix && { fix }),
		},
	];
}

type BodyOf = ReadonlyMap<Lain, Body>;

function gapsOf({ glass, contacts }: Stack, bodyOf: BodyOf): Gap[] {
	const meeting = new Set(contacts.map(({ a, b }) => `${a.id} ${b.id}`));
	const loose = new Set([...new Set(bodyOf.values())].filter(isLoose));
	return glass.flatMap((a, i) =>
		glass.slice(i + 1).flatMap((b): Gap[] => {
			if (apart(a.box, b.box, WIDEST_MM) || meeting.has(`${a.id} ${b.id}`)) return [];
			if ([a, b].some((part) => loose.has(bodyOf.get(part) as Body))) return [];
			const near = nearestOf(a.region, b.region);
			if (near.mm <= TOUCH_MM || near.mm > WIDEST_MM) return [];
			return [{ a, b, mm: near.mm, at: { x: (near.a.x + near.b.x) / 2, y: (near.a.y + near.b.y) / 2 } }];
		}),
	);
}

/** Is there bare shelf between them? Two threads across a base have none, though both end at its edge. */
function isOverShelf({ a, b, mm, at }: Gap, { glass }: Stack): boolean {
	if (thicknessAt(at, glass) > 0) return false;
	const reach = mm / 2 + CORRIDOR_MM;
	const corridor = intersect(offset(a.region, reach), offset(b.region, reach));
	const near = glass.filter(({ box }) => !apart(box, boundsOf(corridor)));
	const bare = subtract(
		corridor,
		near.flatMap(({ region }) => region),
	);
	return areaMm2(bare) > areaMm2(corridor) / 2;
}

function closes({ a, b, at }: Gap, bodyOf: BodyOf): boolean {
	const [one, other] = [bodyOf.get(a), bodyOf.get(b)];
	if (!one || !other) return false;
	if (one === other) return isOn(at, one.after.region);
	return runTogether(one, other) && (isOn(at, one.after.region) || isOn(at, other.after.region));
}

/** The next gentler level at which all these gaps stay open. */
function calmer(stack: Stack, gaps: readonly Gap[], bodyOf: BodyOf): Mend | undefined {
	const lower = FUSE_LEVELS.slice(FUSE_LEVELS.indexOf("tack"), FUSE_LEVELS.indexOf(stack.level)).reverse();
	const bodies = [...new Set(gaps.flatMap(({ a, b }) => [bodyOf.get(a), bodyOf.get(b)]))].filter((one) => !!one);
	const staysOpen = (level: FuseLevel) => {
		const after = bodies.map(({ parts }) => afterOf(parts, LEVEL_AIM[level]).region);
		return gaps.every(({ at }) => after.every((region) => !isOn(at, region)));
	};
	const level = lower.find(staysOpen);
	return (
		level && {
			label: say`Fire to ${LEVEL_WORDS[level]}`,
			changes: [{ do: "level", firing: stack.firing, level }],
		}
	);
}
