import type { KitDesign, KitPart } from "@core/kit/kit";
import { createContext, useContext } from "react";
import { type TemporalState, temporal } from "zundo";
import { createStore, type StoreApi, useStore } from "zustand";

/** The kit on the bench: one document, changed by pure functions, every change undone one by one. */
export interface Draft {
	design: KitDesign;
	/** Ids of the parts that are chosen. */
	chosen: readonly string[];
	/** The component that lies open on the bench; undefined: the kit itself. */
	opened: string | undefined;
	edit(change: (design: KitDesign) => KitDesign, what?: string): void;
	/** Changes the parts on the bench, the kit's or those of the open component. */
	editParts(change: (parts: KitPart[]) => KitPart[], what?: string): void;
	choose(ids: readonly string[]): void;
	open(componentId: string | undefined): void;
}

type Recorded = Pick<Draft, "design">;
export type DraftStore = StoreApi<Draft> & { temporal: StoreApi<TemporalState<Recorded>> };

/** Changes of the same thing within this time (ms) are one step to undo: typing a number, nudging a part. */
const ONE_STEP_MS = 900;

export function createDraft(design: KitDesign, now: () => number = Date.now): DraftStore {
	let last = { what: "", at: Number.NEGATIVE_INFINITY };
	const store: DraftStore = createStore<Draft>()(
		temporal(
			(set, get) => ({
				design,
				chosen: [],
				opened: undefined,
				edit(change, what = "") {
					const after = change(get().design);
					if (after === get().design) return;
					const goesOn = what !== "" && what === last.what && now() - last.at < ONE_STEP_MS;
					last = { what, at: now() };
					const { pause, resume } = store.temporal.getState();
					if (goesOn) pause();
					set({ design: after });
					if (goesOn) resume();
				},
				editParts(change, what) {
					const { opened, edit } = get();
					edit((before) => withParts(before, opened, change(partsOnBench(before, opened))), what);
				},
				choose: (chosen) => set({ chosen }),
				open: (opened) => set({ opened, chosen: [] }),
			}),
			{
				partialize: ({ design: recorded }): Recorded => ({ design: recorded }),
				equality: (a, b) => a.design === b.design,
			},
		),
	);
	return store;
}

export const partsOnBench = (design: KitDesign, opened: string | undefined): KitPart[] =>
	opened === undefined ? design.parts : (design.components.find(({ id }) => id === opened)?.parts ?? []);

function withParts(design: KitDesign, opened: string | undefined, parts: KitPart[]): KitDesign {
	if (opened === undefined) return { ...design, parts };
	return { ...design, components: design.components.map((one) => (one.id === opened ? { ...one, parts } : one)) };
}

const Context = createContext<DraftStore | null>(null);
export const DraftProvider = Context.Provider;

export function useDraftStore(): DraftStore {
	const store = useContext(Context);
	if (!store) throw new Error("No kit lies on the bench.");
	return store;
}

export const useDraft = <T>(pick: (draft: Draft) => T): T => useStore(useDraftStore(), pick);

/** How many steps can be undone and redone, and how. */
export function useHistory() {
	const { temporal: history } = useDraftStore();
	return useStore(history, (state) => state);
}

export const useParts = (): KitPart[] => useDraft(({ design, opened }) => partsOnBench(design, opened));

export const useChosen = (): KitPart[] => {
	const parts = useParts();
	const chosen = useDraft((draft) => draft.chosen);
	return parts.filter(({ id }) => chosen.includes(id));
};

export const newId = (): string => crypto.randomUUID().slice(0, 8);
