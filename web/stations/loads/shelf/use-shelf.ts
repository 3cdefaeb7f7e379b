import type { LoadView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import { footprintOf } from "@core/loading/footprint";
import { type Laid, type LayProblem, layProblems } from "@core/loading/lay-problems";
import { type Form, formOf } from "@core/loading/outlines/form";
import type { Place } from "@core/loading/place";
import type { Shelf } from "@core/loading/shelf";
import { moved, type ShelfDoc } from "@core/loading/shelf-doc";
import { type Remote, wrap } from "comlink";
import { useEffect, useMemo, useRef, useState } from "react";
import { createDraft, useDocument, useSteps } from "../../../ui/kept/draft";
import type { ShelfLayer, ToLayAnew } from "../../../workers/shelf.worker";

/** What a piece will cover after firing, by its measures, its kit's outline and its mould. */
export function useForms(view: LoadView, pieces: readonly PieceBrief[]): ReadonlyMap<string, Form> {
	return useMemo(
		() =>
			new Map(
				pieces.flatMap(({ id, asMade, level, kitVersionId }) =>
					asMade
						? [
								[
									id,
									formOf(
										footprintOf({
											asMade,
											level,
											kitOutline: view.outlines[kitVersionId ?? ""],
											mould: view.moulds[id],
										}),
									),
								] as const,
							]
						: [],
				),
			),
		[pieces, view.outlines, view.moulds],
	);
}

/** One load on one shelf as it is laid by hand: the document, its undo, and what is wrong with it now. */
export function useShelf(start: readonly Laid[], shelf: Shelf, clearanceMm: number, forms: ReadonlyMap<string, Form>) {
	// biome-ignore lint/correctness/useExhaustiveDependencies: a shelf begins once; a new proposal is a new one
	const store = useMemo(() => createDraft<ShelfDoc, object>({ laid: start, pinnedIds: [] }, () => ({})), []);
	const kept = useDocument(store);
	/** A piece in the hand: shown where it is held, kept where it is let go. */
	const [held, setHeld] = useState<{ id: string; xMm: number; yMm: number } | null>(null);
	const doc = held ? moved(kept, held.id, held.xMm, held.yMm) : kept;
	const steps = useSteps(store);
	// One remote as long as its thread: a second one would be cut off when the first is forgotten.
	const worker = useRef<{ thread: Worker; remote: Remote<ShelfLayer> } | null>(null);
	useEffect(() => () => worker.current?.thread.terminate(), []);
	const formed = doc.laid.flatMap((one) => {
		const form = forms.get(one.id);
		return form ? [{ ...one, form }] : [];
	});
	// biome-ignore lint/correctness/useExhaustiveDependencies: by the document alone
	const problems = useMemo<LayProblem[]>(
		() => layProblems(formed, shelf, clearanceMm),
		[kept, held, shelf, clearanceMm],
	);
	const ask = () => {
		if (!worker.current) {
			const thread = new Worker(new URL("../../../workers/shelf.worker.ts", import.meta.url), { type: "module" });
			worker.current = { thread, remote: wrap<ShelfLayer>(thread) };
		}
		return worker.current.remote;
	};
	const outlineOf = (id: string): Ring => forms.get(id)?.outline ?? [];
	const withOutline = (one: Laid) => ({ ...one, outline: outlineOf(one.id) });
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
		places: formed.map(({ form, ...one }): Place => {
			const { widthMm, heightMm } = boundsOf([form.outline]);
			return { ...one, widthMm, heightMm, outline: form.outline };
		}),
		/** Everything that is not pinned, laid anew. */
		async again(ranks: ReadonlyMap<string, number>) {
			const pinned = doc.laid.filter(({ id }) => doc.pinnedIds.includes(id));
			const free: ToLayAnew[] = doc.laid
				.filter(({ id }) => !doc.pinnedIds.includes(id))
				.map(({ id }) => ({ id, outline: outlineOf(id), rank: ranks.get(id) ?? 0 }));
			const asked = store.getState().document;
			const laid = await ask().again(free, pinned.map(withOutline), shelf, clearanceMm);
			// Whoever went on by hand meanwhile keeps what they did.
			if (store.getState().document === asked)
				store.getState().edit((before) => ({ ...before, laid: [...pinned, ...laid] }));
		},
		/** Which of some pieces would fit beside what lies there. */
		gaps: (ids: readonly string[]) =>
			ask().gaps(
				ids.map((id) => ({ id, outline: outlineOf(id), rank: 0 })),
				doc.laid.map(withOutline),
				shelf,
				clearanceMm,
			),
	};
}
