import { areaMm2, boundsOf, intersect, offset, type Region } from "../geometry/region";
import type { Glass } from "../glass/glass";
import { type KitPart, partOutline } from "./kit";
import { apart } from "./thickness";

/** A part has to lie on another by this much to stick before both draw in. Common practice, no source. */
export const LEAST_OVERLAP_MM = 2;
/** Parts nearer than this as laid up count as touching. */
const TOUCH_MM = 0.5;
/** Sheet on sheet below this in both directions lets its air go by itself. */
const TRAP_MM = 75;

type Contact = "joined" | "touching";

/** How each pair of parts meets: joined where one lies on the other by 2 mm, touching where they only meet. */
export function contactsOf(parts: readonly KitPart[]): { a: KitPart; b: KitPart; contact: Contact }[] {
	return pairsNear(parts).map(({ a, b, shared }) => {
		const lies = a.layer !== b.layer && offset(shared, -LEAST_OVERLAP_MM / 2 + 0.01).length > 0;
		return { a, b, contact: lies ? "joined" : "touching" };
	});
}

/** Groups of parts that hold together, largest first. One group: the piece stays whole. */
export function bodiesOf(parts: readonly KitPart[]): KitPart[][] {
	const group = new Map(parts.map((part) => [part.id, part.id]));
	const rootOf = (id: string): string => {
		const up = group.get(id) as string;
		return up === id ? id : rootOf(up);
	};
	for (const { a, b, contact } of contactsOf(parts)) if (contact === "joined") group.set(rootOf(a.id), rootOf(b.id));
	const bodies = new Map<string, KitPart[]>();
	for (const part of parts) bodies.set(rootOf(part.id), [...(bodies.get(rootOf(part.id)) ?? []), part]);
	return [...bodies.values()].sort((a, b) => b.length - a.length);
}

export function touchesDarkAndWhite(parts: readonly KitPart[], glasses: ReadonlyMap<string, Glass>): boolean {
	const tone = (part: KitPart) => glasses.get(part.glassId)?.tone;
	return contactsOf(parts.filter((part) => tone(part) !== "other")).some(({ a, b }) => tone(a) !== tone(b));
}

/** Longest span (mm) of sheet lying on sheet, where both its sides reach 75 mm; 0 where there is none. */
export function trappedSpanMm(parts: readonly KitPart[]): number {
	const spans = pairsNear(parts)
		.filter(({ a, b }) => a.layer !== b.layer)
		.map(({ shared }) => boundsOf(shared))
		.filter(({ widthMm, heightMm }) => Math.min(widthMm, heightMm) >= TRAP_MM)
		.map(({ widthMm, heightMm }) => Math.max(widthMm, heightMm));
	return Math.max(0, ...spans);
}

/** Two cuts on one layer cannot lie in the same place. */
export function collisionsOf(parts: readonly KitPart[]): { a: KitPart; b: KitPart; areaMm2: number }[] {
	return pairsNear(parts)
		.filter(({ a, b }) => a.layer === b.layer)
		.map(({ a, b, shared }) => ({ a, b, areaMm2: areaMm2(shared) }))
		.filter((pair) => pair.areaMm2 > 1);
}

function pairsNear(parts: readonly KitPart[]): { a: KitPart; b: KitPart; shared: Region }[] {
	const placed = parts.map((part) => {
		const region: Region = [partOutline(part)];
		return { part, region, box: boundsOf(region) };
	});
	return placed.flatMap((one, i) =>
		placed.slice(i + 1).flatMap((other) => {
			if (apart(one.box, other.box, TOUCH_MM)) return [];
			const shared = intersect(one.region, other.region);
			const near = shared.length > 0 || intersect(offset(one.region, TOUCH_MM), other.region).length > 0;
			return near ? [{ a: one.part, b: other.part, shared }] : [];
		}),
	);
}
