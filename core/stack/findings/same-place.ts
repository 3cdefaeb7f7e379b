import { apart } from "../../geometry/bounds";
import { groupBy } from "../../group-by";
import type { Change } from "../../kit/change";
import { LARGEST_KIT } from "../../kit/kit";
import { say } from "../../units/phrase";
import { collisionsOf } from "../contacts";
import type { Finding, Mend } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { holdsAny, ids, middle, worstOf } from "./words";

type Clash = ReturnType<typeof collisionsOf>[number];

/** Two cuts of one layer cannot lie in one place; one press lifts as few of them as it takes. */
export function samePlaceFindings(stack: Stack): Finding[] {
	const clashes = collisionsOf(stack.contacts);
	if (!holdsAny(clashes)) return [];
	const worst = worstOf(clashes, ({ areaMm2 }) => areaMm2);
	const mm2 = (some: readonly Clash[]) => ({ n: Math.round(some.reduce((sum, { areaMm2 }) => sum + areaMm2, 0)) });
	const { a, b } = worst;
	const upper = a.areaMm2 < b.areaMm2 ? a : b;
	const fix = liftApart(stack, clashes);
	return [
		{
			code: "same-place",
			severity: "fix",
			sentence:
				clashes.length === 1
					? say`${a.name} and ${b.name} share ${mm2(clashes)} mm² of layer ${{ n: a.layer + 1 }}: two cuts cannot lie in one place.`
					: say`At ${{ n: clashes.length }} places two cuts of one layer share ${mm2(clashes)} mm², most where ${a.name} and ${b.name} do (${mm2([worst])} mm²): two cuts cannot lie in one place.`,
			remedy: say`Move them apart, or put one of each two on the next layer.`,
			partIds: [...new Set(clashes.flatMap((one) => ids([one.a, one.b])))],
			at: middle(upper),
			places: clashes.map((one) => middle(one.a.areaMm2 < one.b.areaMm2 ? one.a : one.b)),
			...(fix && { fix }),
		},
	];
}

/** Lifts parts within their layer until no two share a place, and everything above by as much. */
function liftApart({ design, lain }: Stack, clashes: readonly Clash[]): Mend | undefined {
	const within = coloured(clashes);
	const lifts = liftsOf(lain, within);
	const later = design.parts
		.filter(({ id }) => lain.every((part) => part.id !== id))
		.map(({ id, layer }) => ({ id, layer, lift: Math.max(0, ...lifts.filter((one) => one.layer < layer).map(topOf)) }));
	const all = [...lifts, ...later];
	if (all.some(({ layer, lift }) => layer + lift >= LARGEST_KIT.layers)) return undefined;
	const changes = [...groupBy(all, ({ lift }) => lift)]
		.filter(([layers]) => layers > 0)
		.map(([layers, some]): Change => ({ do: "raise", partIds: ids(some), layers }));
	const raised = [...within].filter(([, colour]) => colour > 0).map(([part]) => part);
	const [only] = raised;
	return {
		label:
			clashes.length === 1 && only
				? say`Put ${only.name} on layer ${{ n: only.layer + 2 }}`
				: say`Lift ${{ n: raised.length }} of them a layer`,
		changes,
	};
}

/** A part, and by how many layers it goes up. */
interface Lift {
	id: string;
	layer: number;
	lift: number;
}

const topOf = ({ lift }: Lift) => lift;

/** Neighbours that share a place come onto different layers, all above them over the highest of these. */
function liftsOf(lain: readonly Lain[], within: ReadonlyMap<Lain, number>): Lift[] {
	let below = 0;
	return [...groupBy(lain, ({ layer }) => layer)]
		.sort(([a], [b]) => a - b)
		.flatMap(([layer, parts]) => {
			const lifted = parts.map((part) => ({
				id: part.id,
				layer,
				lift: below + (within.get(part) ?? withThoseIn(part, parts, within)),
			}));
			below += Math.max(0, ...parts.map((part) => within.get(part) ?? 0));
			return lifted;
		});
}

/** What is no cut goes up with the highest of its layer that it lies on: a thread, the fibre under a tip. */
const withThoseIn = (part: Lain, parts: readonly Lain[], within: ReadonlyMap<Lain, number>): number =>
	Math.max(0, ...parts.filter((other) => !apart(other.box, part.box)).map((other) => within.get(other) ?? 0));

/** Neighbours get different numbers, as low as can be; along a row or an even ring every other one gets 1. */
function coloured(clashes: readonly Clash[]): Map<Lain, number> {
	const neighbours = new Map<Lain, Set<Lain>>();
	for (const { a, b } of clashes) {
		neighbours.set(a, (neighbours.get(a) ?? new Set()).add(b));
		neighbours.set(b, (neighbours.get(b) ?? new Set()).add(a));
	}
	const colours = new Map<Lain, number>();
	for (const start of [...neighbours.keys()].sort((a, b) => b.areaMm2 - a.areaMm2)) {
		const queue = [start];
		for (let part = queue.shift(); part; part = queue.shift()) {
			if (colours.has(part)) continue;
			const taken = new Set([...(neighbours.get(part) ?? [])].map((other) => colours.get(other)));
			let colour = 0;
			while (taken.has(colour)) colour++;
			colours.set(part, colour);
			queue.push(...(neighbours.get(part) ?? []));
		}
	}
	return colours;
}
