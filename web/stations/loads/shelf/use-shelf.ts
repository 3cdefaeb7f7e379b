import type { KilnCard } from "@contract/kilns";
import type { LoadView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { boundsOf } from "@core/geometry/bounds";
import { footprintOf, heightOf } from "@core/loading/footprint";
import type { Reached } from "@core/loading/heat-there";
import { kilnShelvesOf } from "@core/loading/kiln-shelves";
import { heldProblems, loadProblems } from "@core/loading/load-problems";
import { formOf } from "@core/loading/outlines/form";
import type { Place } from "@core/loading/place";
import type { KilnPlacement, PlacedPiece, ShelfPiece } from "@core/loading/placement";
import { moved, putIn, type ShelfDoc } from "@core/loading/shelf-doc";
import { shelvesUsed } from "@core/loading/tiers";
import { outlineKey } from "@core/piece/outline-key";
import { useMemo, useState } from "react";
import { useWorker } from "../../../lib/use-worker";
import { createDraft, useDocument, useSteps } from "../../../ui/kept/draft";
import type { LayInto, ShelfLayer } from "../../../workers/shelf.worker";
import { shelfThread, useFurther } from "./use-further";

/** What a piece covers after firing, how high it stands, and of which family it is. */
type Body = Omit<ShelfPiece, "id" | "rank">;

/** Of pieces by their measures, their kit's outline and their mould. */
export function useBodies(view: LoadView, pieces: readonly PieceBrief[]): ReadonlyMap<string, Body> {
	return useMemo(
		() =>
			new Map(
				pieces.flatMap(({ id, body, step, kitVersionId, familyId }) => {
					if (!body) return [];
					const outline = view.outlines[outlineKey({ kitVersionId, step })];
					const lying = { body: { ...body, outline }, mould: view.moulds[id] };
					return [[id, { form: formOf(footprintOf(lying)), standsMm: heightOf(lying), familyId }] as const];
				}),
			),
		[pieces, view.outlines, view.moulds],
	);
}

interface Load {
	kiln: KilnCard;
	clearanceMm: number;
	bodies: ReadonlyMap<string, Body>;
	reached: readonly Reached[];
	/** Less is promised sooner. */
	ranks: ReadonlyMap<string, number>;
	/** What the proposal was to hold: what found no room too. */
	wanted: readonly string[];
}

/** One load on a kiln's shelves as it is laid by hand: the document, its undo, and what is wrong with it now. */
export function useShelf(start: readonly KilnPlacement[], { kiln, clearanceMm, bodies, reached, ranks, wanted }: Load) {
	// biome-ignore lint/correctness/useExhaustiveDependencies: a shelf begins once; a new proposal is a new one
	const store = useMemo(() => createDraft<ShelfDoc, object>({ laid: start, pinnedIds: [] }, () => ({})), []);
	const kept = useDocument(store);
	/** A piece in the hand: shown where it is held, kept where it is let go. */
	const [held, setHeld] = useState<{ id: string; xMm: number; yMm: number } | null>(null);
	const doc = held ? moved(kept, held.id, held.xMm, held.yMm) : kept;
	const steps = useSteps(store);
	const { ask } = useWorker<ShelfLayer>(shelfThread);
	const into = useMemo<LayInto>(
		() => ({
			kiln: kilnShelvesOf(kiln),
			...{ clearanceMm, reached },
		}),
		[kiln, clearanceMm, reached],
	);
	const formedOf = (one: KilnPlacement): PlacedPiece[] => {
		const body = bodies.get(one.id);
		return body ? [{ ...one, ...body }] : [];
	};
	const formed = doc.laid.flatMap(formedOf);
	const heldId = held?.id;
	// biome-ignore lint/correctness/useExhaustiveDependencies: by the document, and by which piece is in the hand
	const others = useMemo(() => kept.laid.filter(({ id }) => id !== heldId).flatMap(formedOf), [kept, heldId, bodies]);
	const between = useMemo(() => loadProblems(others, into, shelvesUsed(kept.laid)), [others, into, kept]);
	// A piece in the hand moves with every frame: only what it touches is asked again.
	const inHand = formed.find(({ id }) => id === heldId);
	const problems = inHand ? [...heldProblems(inHand, others, into), ...between] : between;
	const toLay = (id: string) => {
		const body = bodies.get(id);
		return {
			...{ id, rank: ranks.get(id) ?? 0, familyId: body?.familyId ?? "" },
			...{ outline: body?.form.outline ?? [], standsMm: body?.standsMm ?? 0 },
		};
	};
	const outlined = (one: KilnPlacement) => ({ ...one, ...toLay(one.id) });
	/** Which of some pieces would fit beside what lies on a shelf, of so many. */
	const gaps = async (ids: readonly string[], shelf: number, of: number) => {
		const there = doc.laid.filter(({ id }) => !ids.includes(id)).map(outlined);
		return (await ask((remote) => remote.gaps(ids.map(toLay), there, into, shelf, of))) ?? [];
	};
	const { further, lay } = useFurther(store, held !== null, wanted, { toLay, outlined, into });
	return {
		doc,
		formed,
		problems,
		steps,
		edit: store.getState().edit,
		hold: (id: string, xMm: number, yMm: number) => setHeld({ id, xMm, yMm }),
		letGo() {
			if (held) store.getState().edit((before) => moved(before, held.id, held.xMm, held.yMm));
			setHeld(null);
		},
		putBack: () => setHeld(null),
		places: formed.map(({ form, standsMm: _, familyId: __, ...one }): Place => {
			const { widthMm, heightMm } = boundsOf([form.outline]);
			return { ...one, widthMm, heightMm, outline: form.outline };
		}),
		/** Everything that is not pinned, laid anew. */
		async again() {
			const pinned = doc.laid.filter(({ id }) => doc.pinnedIds.includes(id));
			const free = doc.laid.filter(({ id }) => !doc.pinnedIds.includes(id)).map(({ id }) => toLay(id));
			const asked = store.getState().document;
			const found = await ask((remote) => remote.again(free, pinned.map(outlined), into));
			// Whoever went on by hand meanwhile keeps what they did.
			if (found && store.getState().document === asked) lay(found.laid);
		},
		further,
		gaps,
		/** A piece onto another of so many shelves, where it fits. Tells whether it did. */
		async toShelf(id: string, shelf: number, of: number) {
			const [found] = await gaps([id], shelf, of);
			if (found) store.getState().edit((before) => putIn(before, found));
			return found !== undefined;
		},
	};
}
