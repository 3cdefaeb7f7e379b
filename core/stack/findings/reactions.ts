import { areaMm2, boundsOf, intersect, offset, type Point, type Region } from "../../geometry/region";
import type { Chemistry, Glass } from "../../glass/glass";
import type { Change } from "../../kit/change";
import { say } from "../../units/phrase";
import { tidyMm } from "../../units/tidy";
import type { Finding } from "../finding";
import { type Lain, sharedOf } from "../lay";
import type { Stack } from "../stack";
import { acrossDeg, freshId } from "./joins";
import { ids, middle } from "./words";

/** What darkens along the contact with what. Common practice, no source. */
const DARKEN: readonly (readonly [Chemistry, Chemistry])[] = [
	["sulphur", "copper"],
	["selenium", "copper"],
	["sulphur", "silver"],
	["selenium", "silver"],
	["sulphur", "lead"],
	["selenium", "lead"],
];
/** A band of neutral glass this wide keeps two glasses apart, mm. Common practice, no source. */
const NEUTRAL_MM = 5;

/** Glasses, or metal and glass, that change colour where they touch. */
export function reactionFindings(stack: Stack): Finding[] {
	const metal = stack.lain.filter(({ part }) => part.kind === "foil" || part.kind === "loop");
	const pairs = [
		...stack.contacts.map(({ a, b, shared }) => ({ a, b, shared })),
		...metal.flatMap((a) =>
			stack.glass.map((b) => ({ a, b, shared: sharedOf(a, b) })).filter(({ shared }) => areaMm2(shared) > 0.5),
		),
	];
	return pairs.flatMap(({ a, b, shared }) => {
		const pair = DARKEN.find(([x, y]) => (has(a, x) && has(b, y)) || (has(a, y) && has(b, x)));
		if (!pair) return [];
		const joint = areaMm2(shared) > 0.5 ? shared : intersect(offset(a.region, 0.4), offset(b.region, 0.4));
		const box = boundsOf(joint);
		const fix = split(stack, a, b, shared, joint);
		return [
			{
				code: "reaction",
				severity: "know" as const,
				sentence: say`${a.name} and ${b.name} meet along ${{ mm: Math.max(box.widthMm, box.heightMm) }}: ${pair[0]} and ${pair[1]} darken there.`,
				remedy: say`If it is not wanted, keep ${{ mm: NEUTRAL_MM }} of neutral glass between them.`,
				partIds: ids([a, b]),
				at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
				line: [...(joint[0] ?? [])],
				...(fix && { fix }),
			},
		];
	});
}

function has({ glasses, part }: Lain, chemistry: Chemistry): boolean {
	if (part.kind === "foil" || part.kind === "loop") return part.metal === chemistry;
	return glasses.some((glass) => glass.chemistry.includes(chemistry));
}

/** Parts the contact: a clear cut between two that lie on each other, a clear strip between two that lie side by side. */
function split(stack: Stack, a: Lain, b: Lain, shared: Region, joint: Region): NonNullable<Finding["fix"]> | undefined {
	const [upper, lower] = a.layer >= b.layer ? [a, b] : [b, a];
	if (upper.part.kind !== "sheet" || lower.part.kind !== "sheet") return undefined;
	const neutral = neutralGlass(stack, upper.part.glassId);
	if (!neutral) return undefined;
	if (areaMm2(shared) > 0.5 && upper.layer > lower.layer) {
		const over = stack.lain.filter(({ layer }) => layer >= upper.layer).map(({ id }) => id);
		const between = {
			...upper.part,
			id: freshId(stack.lain, "neutral"),
			name: "Neutral layer",
			glassId: neutral.id,
			faceDown: false,
		};
		const changes: Change[] = [
			{ do: "raise", partIds: over, layers: 1 },
			{ do: "add", part: between },
		];
		return { label: say`Lay ${{ mm: neutral.thicknessMm }} of ${neutral.name} between`, changes };
	}
	return sideBySide(stack, upper, lower, joint, neutral);
}

function sideBySide(stack: Stack, a: Lain, b: Lain, joint: Region, neutral: Glass): NonNullable<Finding["fix"]> {
	const [mover, stays] = a.areaMm2 <= b.areaMm2 ? [a, b] : [b, a];
	const degrees = acrossDeg(joint.flat(), middle(stays), middle(mover));
	const angle = (degrees * Math.PI) / 180;
	const toMover = { x: middle(mover).x - middle(stays).x, y: middle(mover).y - middle(stays).y };
	const sign = Math.cos(angle) * toMover.x + Math.sin(angle) * toMover.y >= 0 ? 1 : -1;
	const way: Point = { x: sign * Math.cos(angle), y: sign * Math.sin(angle) };
	const box = boundsOf(joint);
	const at = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
	return {
		label: say`Put ${{ mm: NEUTRAL_MM }} of ${neutral.name} between`,
		changes: [
			{
				do: "move",
				partIds: [mover.id],
				byMm: { x: tidyMm(way.x * NEUTRAL_MM, 0.1), y: tidyMm(way.y * NEUTRAL_MM, 0.1) },
			},
			{
				do: "add",
				part: {
					id: freshId(stack.lain, "neutral"),
					name: "Neutral strip",
					kind: "sheet",
					shape: { kind: "strip", lengthMm: tidyMm(Math.max(box.widthMm, box.heightMm), 0.1), widthMm: NEUTRAL_MM },
					glassId: neutral.id,
					faceDown: false,
					layer: mover.layer,
					firing: mover.part.firing,
					xMm: tidyMm(at.x + (way.x * NEUTRAL_MM) / 2, 0.1),
					yMm: tidyMm(at.y + (way.y * NEUTRAL_MM) / 2, 0.1),
					turnDeg: Math.round(degrees + 90) % 360,
				},
			},
		],
	};
}

/** Clear sheet of the same family without chemistry, the thinnest there is. */
function neutralGlass({ book }: Stack, besideId: string): Glass | undefined {
	const familyId = book.glasses.get(besideId)?.familyId;
	return [...book.glasses.values()]
		.filter(
			(glass) =>
				glass.familyId === familyId &&
				glass.form === "sheet" &&
				glass.opacity === "clear" &&
				glass.coating === "none" &&
				glass.chemistry.length === 0,
		)
		.sort((x, y) => x.thicknessMm - y.thicknessMm)[0];
}
