import { firedParts } from "@core/kit/fired-parts";
import type { KitDesign } from "@core/kit/kit";
import { firedThing } from "@core/stock/needs";
import { keyOf } from "@core/stock/to-buy";
import { dotGlassesOf, drawnByLists } from "@db/queries/stock";
import { loadStock } from "@db/queries/stock-book";
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
	const items = (await loadStock(tx)).filter(({ retired }) => !retired);
	const others = await drawnByLists(tx, cutRunId, dayOf(now, studio.timeZone));
	return Object.fromEntries(
		parts.flatMap(({ name, perKit, ...part }) => {
			const key = keyOf(firedThing(name, part));
			const lies = items.filter((item) => keyOf(item) === key).reduce((sum, { amount }) => sum + amount, 0);
			const taken = others.reduce((sum, { left }) => sum + (left[part.madeOf] ?? 0), 0);
			const count = Math.min(perKit * kits, Math.max(0, Math.floor(lies - taken)));
			return count > 0 ? [[part.madeOf, count]] : [];
		}),
	);
}
