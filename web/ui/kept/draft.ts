import { type TemporalState, temporal } from "zundo";
import { createStore, type StoreApi, useStore } from "zustand";

/** A document on a bench: changed by pure functions, every change undone one by one. */
export interface Draft<D> {
	document: D;
	/** @param what a name for the thing changed: changes of the same thing in one breath are one step to undo */
	edit(change: (document: D) => D, what?: string): void;
}

type Recorded<D> = Pick<Draft<D>, "document">;
export type DraftStore<D, More = object> = StoreApi<Draft<D> & More> & {
	temporal: StoreApi<TemporalState<Recorded<D>>>;
};

/** Changes of the same thing within this time (ms) are one step to undo: typing a number, a drag. */
const ONE_STEP_MS = 900;

/** @param more what else the bench remembers, and is not undone: what is chosen, what lies open */
export function createDraft<D, More extends object>(
	document: D,
	more: (set: (change: Partial<More>) => void, get: () => Draft<D> & More) => More,
	now: () => number = Date.now,
): DraftStore<D, More> {
	let last = { what: "", at: Number.NEGATIVE_INFINITY };
	const store = createStore<Draft<D> & More>()(
		temporal(
			(set, get) => ({
				document,
				edit(change: (before: D) => D, what = "") {
					const after = change(get().document);
					if (after === get().document) return;
					const goesOn = what !== "" && what === last.what && now() - last.at < ONE_STEP_MS;
					last = { what, at: now() };
					const { pause, resume } = store.temporal.getState();
					if (goesOn) pause();
					set({ document: after } as Partial<Draft<D> & More>);
					if (goesOn) resume();
				},
				...more((change) => set(change as Partial<Draft<D> & More>), get),
			}),
			{
				partialize: ({ document: recorded }): Recorded<D> => ({ document: recorded }),
				equality: (a, b) => a.document === b.document,
			},
		),
	) as DraftStore<D, More>;
	return store;
}

export const useDocument = <D>(store: DraftStore<D>): D => useStore(store, ({ document }) => document);

export interface Steps {
	done: number;
	undone: number;
	undo(): void;
	redo(): void;
}

/** How many steps can be undone and redone, and how. */
export function useSteps<D>(store: DraftStore<D>): Steps {
	const { pastStates, futureStates, undo, redo } = useStore(store.temporal);
	return { done: pastStates.length, undone: futureStates.length, undo: () => undo(), redo: () => redo() };
}
