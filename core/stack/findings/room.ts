import { apart, boundsOf } from "../../geometry/bounds";
import { nearestOf } from "../../geometry/nearest";
import type { Point } from "../../geometry/region";
import { say } from "../../units/phrase";
import { type Body, isLoose } from "../bodies";
import { TOUCH_MM } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { centreOf, spreadOut, type TooNear } from "./spread-out";
import { holdsAny, ids, names } from "./words";

/** Loose pieces keep at least this between them after the firing, mm. Common practice, no source. */
const ROOM_MM = 2;

/** Two loose pieces that end up as one. */
interface Stuck {
	a: readonly Lain[];
	b: readonly Lain[];
	/** What lies between them after the firing: 0 where they touch or run into each other. */
	afterMm: number;
	at: Point;
	way: Point;
}

/** Pieces fired loose may lie as near as they like, as long as they do not touch afterwards. */
export function roomFindings(stack: Stack): Finding[] {
	const loose = stack.bodies.filter(isLoose);
	const stuck = [...grownTogether(loose), ...byTheEdge(stack)];
	if (!holdsAny(stuck)) return [];
	const [first] = stuck;
	const pairs = stuck.map((pair): TooNear => ({ ...pair, needMm: needOf(pair, loose) }));
	const spreading = spreadOut(
		[...loose.map(({ parts }) => parts), ...new Set(stuck.flatMap(({ a, b }) => [a, b]))].filter(distinct()),
		pairs,
	);
	return [
		{
			code: "no-room",
			severity: "fix",
			sentence:
				stuck.length === 1
					? say`${names(first.a)} and ${names(first.b)} are meant to be loose and touch after the firing: ${{ mm: ROOM_MM }} has to be left between them.`
					: say`${{ n: stuck.length }} pairs of loose pieces touch after the firing, ${names(first.a)} and ${names(first.b)} among them: ${{ mm: ROOM_MM }} has to be left between any two.`,
			remedy: say`Lay them further apart; what draws in needs less room than what spreads.`,
			partIds: [...new Set(stuck.flatMap(({ a, b }) => ids([...a, ...b])))],
			at: first.at,
			places: stuck.map(({ at }) => at),
			...(spreading && { fix: { label: say`Draw them apart`, changes: spreading.changes } }),
		},
	];
}

/** Each part once, in whatever thing it came first. */
function distinct() {
	const seen = new Set<Lain>();
	return (parts: readonly Lain[]): boolean => {
		if (parts.some((part) => seen.has(part))) return false;
		for (const part of parts) seen.add(part);
		return true;
	};
}

function grownTogether(loose: readonly Body[]): Stuck[] {
	const boxes = new Map(loose.map((body) => [body, boundsOf(body.after.region)]));
	return loose.flatMap((one, i) =>
		loose.slice(i + 1).flatMap((other): Stuck[] => {
			const [a, b] = [boxes.get(one), boxes.get(other)];
			if (!a || !b || apart(a, b, TOUCH_MM)) return [];
			const near = nearestOf(one.after.region, other.after.region);
			if (near.mm > TOUCH_MM) return [];
			const way = towards(centreOf(one.parts), centreOf(other.parts));
			return [{ a: one.parts, b: other.parts, afterMm: near.mm, at: near.a, way }];
		}),
	);
}

/** Loose parts side by side with no wish to shrink: the firing makes them one body. */
const byTheEdge = ({ contacts }: Stack): Stuck[] =>
	contacts
		.filter(({ a, b, kind }) => kind === "edge" && a.part.loose === true && b.part.loose === true)
		.map(({ a, b, nearest }) => ({
			a: [a],
			b: [b],
			afterMm: 0,
			at: nearest.a,
			way: towards(centreOf([a]), centreOf([b])),
		}));

/** How much further apart two have to lie: the room, and what each spreads into the other, mm. */
function needOf({ a, b, afterMm }: Stuck, loose: readonly Body[]): number {
	const spreads = (parts: readonly Lain[]) =>
		Math.max(0, loose.find((body) => parts.every((part) => body.parts.includes(part)))?.after.mostMm ?? 0);
	return ROOM_MM - afterMm + spreads(a) + spreads(b) + 0.2;
}

function towards(from: Point, to: Point): Point {
	const mm = Math.hypot(to.x - from.x, to.y - from.y) || 1;
	return { x: (to.x - from.x) / mm, y: (to.y - from.y) / mm };
}
