import type { ScheduleDocument } from "@core/firing/document";
import { type TemporalState, temporal } from "zundo";
import { createStore, type StoreApi, useStore } from "zustand";

/** The schedule on the bench: one document, changed by pure functions, every change undone one by one. */
interface Draft {
	document: ScheduleDocument;
	edit(change: (document: ScheduleDocument) => ScheduleDocument, what?: string): void;
}

type Recorded = Pick<Draft, "document">;
export type ScheduleDraft = StoreApi<Draft> & { temporal: StoreApi<TemporalState<Recorded>> };

/** Changes of the same thing within this time (ms) are one step to undo: a drag, typing. */
const ONE_STEP_MS = 900;

export function createScheduleDraft(document: ScheduleDocument, now: () => number = Date.now): ScheduleDraft {
	let last = { what: "", at: Number.NEGATIVE_INFINITY };
	const store: ScheduleDraft = createStore<Draft>()(
		temporal(
			(set, get) => ({
				document,
				edit(change, what = "") {
					const after = change(get().document);
					if (after === get().document) return;
					const goesOn = what !== "" && what === last.what && now() - last.at < ONE_STEP_MS;
					last = { what, at: now() };
					const { pause, resume } = store.temporal.getState();
					if (goesOn) pause();
					set({ document: after });
					if (goesOn) resume();
				},
			}),
			{
				partialize: ({ document: recorded }): Recorded => ({ document: recorded }),
				equality: (a, b) => a.document === b.document,
			},
		),
	);
	return store;
}

export const useDocument = (store: ScheduleDraft): ScheduleDocument => useStore(store, ({ document }) => document);

export function useSteps(store: ScheduleDraft): { canUndo: boolean; canRedo: boolean; undo(): void; redo(): void } {
	const { pastStates, futureStates, undo, redo } = useStore(store.temporal);
	return { canUndo: pastStates.length > 0, canRedo: futureStates.length > 0, undo: () => undo(), redo: () => redo() };
}
