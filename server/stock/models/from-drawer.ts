import { firedParts } from "@core/kit/fired-parts";
import type { KitDesign } from "@core/kit/kit";
import { firedThing } from "@core/stock/needs";
import { keyOf } from "@core/stock/to-buy";
import { bagsOf } from "@db/queries/bags";
import { dotGlassesOf, drawnByLists } from "@db/queries/stock";
import { loadStock, lockStock } from "@db/queries/stock-book";
import { dayOf } from "@formats/time";
import type { Context } from "../../house/context";

/**
 * How many of a kit’s fired parts the drawer gives for so many kits, by what they are made of: what lies in it and no other list that is
 * still packed has counted on. The rest is cut and fired.
 * @param cutRunId the list itself, once it is there
 */
export async function fromDrawer(
	{ tx, now, studio }: Pick<Context, "tx" | "now" | "studio">,
	design: KitDesign,
	kits: number,
	cutRunId: string | undefined,
): Promise<Record<string, number>> {
	const parts = firedParts(design, await dotGlassesOf(tx, [design]));
	if (parts.length === 0) return {};
	const drawer = (await loadStock(tx)).filter(({ kind, retired }) => kind === "component" && !retired);
	// Two lists that are made at once do not count on the same ones.
	const locked = await lockStock(
		tx,
		drawer.map(({ id }) => id),
	);
	const packed = cutRunId ? await bagsOf(tx, [cutRunId]) : [];
	const others = await drawnByLists(tx, cutRunId, dayOf(now, studio.timeZone));
	return Object.fromEntries(
		parts.flatMap(({ name, perKit, ...part }) => {
			const key = keyOf(firedThing(name, part));
			const its = drawer.filter((item) => keyOf(item) === key).map(({ id }) => id);
			const lies = its.reduce((sum, id) => sum + (locked.get(id)?.amount ?? 0), 0);
			// What lies in this list's own closed bags came out of the drawer already.
			const inBags = packed.reduce((sum, bag) => sum + its.reduce((all, id) => all + (bag.taken[id] ?? 0), 0), 0);
			const taken = others.reduce((sum, { left }) => sum + (left[part.madeOf] ?? 0), 0);
			const count = Math.min(perKit * kits, Math.max(0, Math.floor(lies - taken) + inBags));
			return count > 0 ? [[part.madeOf, count]] : [];
		}),
	);
}
