import type { KilnCard } from "@contract/kilns";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import { usableMm2 } from "@core/loading/shelf";
import type { ShelfDoc } from "@core/loading/shelf-doc";
import { shelvesUsed, type Tier, tiersOf } from "@core/loading/tiers";
import { useState } from "react";

/** The shelves of a load: how many are used, which one is looked at, and how another is put above them. */
export function useTiers(kiln: KilnCard, { laid }: ShelfDoc) {
	const [shown, show] = useState(0);
	/** So many are shown although nothing lies on the topmost yet. */
	const [put, setPut] = useState(1);
	const used = shelvesUsed(laid);
	const of = Math.max(used, put);
	const here = Math.min(shown, of - 1);
	return {
		...{ used, of, here, show },
		/** The one after the one that is looked at. */
		next: (here + 1) % of,
		put() {
			setPut(of + 1);
			show(of);
		},
		tier: tiersOf(kilnShelvesOf(kiln), of)[here] as Tier,
		usableMm2: tiersOf(kilnShelvesOf(kiln), used).reduce((sum, { shelf }) => sum + usableMm2(shelf), 0),
	};
}
