import { boundsOf } from "../../geometry/bounds";
import { areaMm2, intersect, offset, type Point, type Region } from "../../geometry/region";
import type { Chemistry } from "../../glass/glass";
import { groupBy } from "../../group-by";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import { type Lain, sharedOf } from "../lay";
import type { Stack } from "../stack";
import { keepApart, NEUTRAL_MM } from "./keep-apart";
import { holdsAny, ids, worstOf } from "./words";

/** What darkens along the contact with what. Common practice, no source. */
const DARKEN: readonly (readonly [Chemistry, Chemistry])[] = [
	["sulphur", "copper"],
	["selenium", "copper"],
	["sulphur", "silver"],
	["selenium", "silver"],
	["sulphur", "lead"],
	["selenium", "lead"],
];

/** Where two parts that darken each other meet. */
export interface Reaction {
	a: Lain;
	b: Lain;
	pair: readonly [Chemistry, Chemistry];
	/** What both cover; nothing where they lie side by side. */
	shared: Region;
	joint: Region;
	/** Along the joint, mm. */
	mm: number;
	at: Point;
}

/** Glasses, or metal and glass, that change colour where they touch: one finding a pair of them. */
export function reactionFindings(stack: Stack): Finding[] {
	return [...groupBy(reactionsOf(stack), pairOf).values()].flatMap((some): Finding[] => {
		if (!holdsAny(some)) return [];
		const worst = worstOf(some, ({ mm }) => mm);
		const { a, b, mm, at, pair } = worst;
		const total = some.reduce((sum, one) => sum + one.mm, 0);
		const fix = keepApart(stack, some);
		return [
			{
				code: "reaction",
				severity: "know",
				sentence:
					some.length === 1
						? say`${a.name} and ${b.name} meet along ${{ mm }}: ${pair[0]} and ${pair[1]} darken there.`
						: say`${stuffOf(a)} and ${stuffOf(b)} meet at ${{ n: some.length }} places along ${{ mm: total }}, most where ${a.name} meets ${b.name} (${{ mm }}): ${pair[0]} and ${pair[1]} darken there.`,
				remedy: say`If it is not wanted, keep ${{ mm: NEUTRAL_MM }} of neutral ${isStrewn(a) || isStrewn(b) ? "powder" : "glass"} between them.`,
				partIds: [...new Set(some.flatMap((one) => ids([one.a, one.b])))],
				at,
				lines: some.flatMap(({ joint }) => (joint[0] ? [joint[0]] : [])),
				...(fix && { fix }),
			},
		];
	});
}

function reactionsOf(stack: Stack): Reaction[] {
	const metal = stack.lain.filter(({ part }) => part.kind === "foil" || part.kind === "loop");
	const meetings = [
		...stack.contacts.map(({ a, b, shared }) => ({ a, b, shared })),
		...metal.flatMap((a) =>
			stack.glass.map((b) => ({ a, b, shared: sharedOf(a, b) })).filter(({ shared }) => areaMm2(shared) > 0.5),
		),
	];
	return meetings.flatMap(({ a, b, shared }): Reaction[] => {
		const pair = DARKEN.find(([x, y]) => (has(a, x) && has(b, y)) || (has(a, y) && has(b, x)));
		if (!pair) return [];
		const joint = areaMm2(shared) > 0.5 ? shared : intersect(offset(a.region, 0.4), offset(b.region, 0.4));
		const { minX, maxX, minY, maxY, widthMm, heightMm } = boundsOf(joint);
		const at = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
		return [{ a, b, pair, shared, joint, mm: Math.max(widthMm, heightMm), at }];
	});
}

/** The two glasses, or glass and metal, whatever lies on top. */
const pairOf = ({ a, b }: Reaction): string => [a, b].map(stuffOf).sort().join(" and ");

const stuffOf = ({ part, glass }: Lain): string =>
	part.kind === "foil" || part.kind === "loop" ? part.metal : (glass?.name ?? "glass");

const isStrewn = ({ part }: Lain): boolean => part.kind === "grains";

function has({ glasses, part }: Lain, chemistry: Chemistry): boolean {
	if (part.kind === "foil" || part.kind === "loop") return part.metal === chemistry;
	return glasses.some((glass) => glass.chemistry.includes(chemistry));
}
