import type { TiersLaid } from "@core/loading/lay-on-tiers";
import { isFuller } from "@core/loading/lay-on-tiers";
import { formOf } from "@core/loading/outlines/form";
import type { KilnPlacement } from "@core/loading/placement";
import type { ShelfDoc } from "@core/loading/shelf-doc";
import { shelvesUsed } from "@core/loading/tiers";
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
 */
export function useFurther(
	store: DraftStore<ShelfDoc>,
	isHeld: boolean,
	left: readonly string[],
	{ toLay, outlined, into }: Sending,
) {
	const doc = useDocument(store);
	/** The shelf as it was last laid for somebody, and how often that was asked for. */
	const [made, setMade] = useState({ doc, times: 0 });
	const pinned = doc.laid.filter(({ id }) => doc.pinnedIds.includes(id));
	const free = [...doc.laid.map(({ id }) => id).filter((id) => !doc.pinnedIds.includes(id)), ...left];
	const isUntouched = made.doc === doc && !isHeld;
	const put = (laid: readonly KilnPlacement[], times: number) => {
		store.getState().edit((before) => ({ ...before, laid: [...pinned, ...laid] }));
		setMade({ doc: store.getState().document, times });
	};
	const key = isUntouched && left.length > 0 ? `${made.times}` : null;
	const further = useSearch<ShelfLayer, TiersLaid>(shelfThread, key, (ask, tell) =>
		ask((remote) => remote.goOn(free.map(toLay), pinned.map(outlined), into, proxy(tell))),
	);
	const { found } = further;
	// biome-ignore lint/correctness/useExhaustiveDependencies: once for all that is found
	useEffect(() => {
		if (!found || !isUntouched) return;
		const now = { laid: [...doc.laid], leftIds: [...left], shelves: shelvesUsed(doc.laid) };
		const pieces = free.map(toLay).map(({ outline, ...one }) => ({ ...one, form: formOf(outline) }));
		if (isFuller(found, now, pieces)) put(found.laid, made.times);
	}, [found]);
	return { further, lay: (laid: readonly KilnPlacement[]) => put(laid, made.times + 1) };
}
