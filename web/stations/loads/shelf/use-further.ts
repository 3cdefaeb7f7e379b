import type { TiersLaid } from "@core/loading/lay-on-tiers";
import type { KilnPlacement } from "@core/loading/placement";
import type { ShelfDoc } from "@core/loading/shelf-doc";
import { proxy } from "comlink";
import { useEffect, useState } from "react";
import { useSearch } from "../../../lib/use-worker";
import { type DraftStore, useDocument } from "../../../ui/kept/draft";
import type { LayInto, Sent, SentPlaced, ShelfLayer } from "../../../workers/shelf.worker";

export const shelfThread = () =>
	new Worker(new URL("../../../workers/shelf.worker.ts", import.meta.url), { type: "module" });

interface Sending {
	toLay(id: string): Sent;
	outlined(one: KilnPlacement): SentPlaced;
	into: LayInto;
}

/**
 * The search for a fuller shelf: it begins where something found no room, goes on while nobody touches what was laid, and lays anew what
 * it finds fuller. Every such laying is a step to undo.
 * @param proposed what the first laying was to hold; later ones hold what lay there, so that nothing taken out by hand comes back
 */
export function useFurther(
	store: DraftStore<ShelfDoc>,
	isHeld: boolean,
	proposed: readonly string[],
	{ toLay, outlined, into }: Sending,
) {
	const doc = useDocument(store);
	/** The shelf as it was last laid for somebody, what it was to hold, and how often that was asked for. */
	const [made, setMade] = useState({ doc, wanted: proposed, times: 0 });
	const left = made.wanted.filter((id) => !doc.laid.some((one) => one.id === id));
	const pinned = doc.laid.filter(({ id }) => doc.pinnedIds.includes(id));
	const isUntouched = made.doc === doc && !isHeld;
	const put = (laid: readonly KilnPlacement[], wanted: readonly string[], times: number) => {
		store.getState().edit((before) => ({ ...before, laid: [...pinned, ...laid] }));
		setMade({ doc: store.getState().document, wanted, times });
	};
	const key = isUntouched && left.length > 0 ? `${made.times}` : null;
	const further = useSearch<ShelfLayer, TiersLaid>(shelfThread, key, (ask, tell) => {
		const free = made.wanted.filter((id) => !doc.pinnedIds.includes(id)).map(toLay);
		return ask((remote) => remote.goOn(free, pinned.map(outlined), into, left, proxy(tell)));
	});
	const { found } = further;
	// biome-ignore lint/correctness/useExhaustiveDependencies: once for all that is found
	useEffect(() => {
		if (found && isUntouched) put(found.laid, made.wanted, made.times);
	}, [found]);
	return {
		further,
		lay: (laid: readonly KilnPlacement[]) =>
			put(
				laid,
				doc.laid.map(({ id }) => id),
				made.times + 1,
			),
	};
}
