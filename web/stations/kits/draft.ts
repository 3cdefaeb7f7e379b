import type { KitDesign, KitPart } from "@core/kit/kit";
import { createContext, useContext } from "react";
import { useStore } from "zustand";
import { createDraft, type Draft, type DraftStore, type Steps, useSteps } from "../../ui/kept/draft";

interface OnBench {
	/** Ids of the parts that are chosen. */
	chosen: readonly string[];
	/** The component that lies open on the bench; undefined: the kit itself. */
	opened: string | undefined;
	/** Changes the parts on the bench, the kit's or those of the open component. */
	editParts(change: (parts: KitPart[]) => KitPart[], what?: string): void;
	choose(ids: readonly string[]): void;
	open(componentId: string | undefined): void;
}

/** The kit on the bench, with what is chosen and open on it. */
export type KitDraft = Draft<KitDesign> & OnBench;
export type KitDraftStore = DraftStore<KitDesign, OnBench>;

export const createKitDraft = (design: KitDesign, now?: () => number): KitDraftStore =>
	createDraft<KitDesign, OnBench>(
		design,
		(set, get) => ({
			chosen: [],
			opened: undefined,
			editParts(change, what) {
				const { opened, edit } = get();
				edit((before) => withParts(before, opened, change(partsOnBench(before, opened))), what);
			},
			choose: (chosen) => set({ chosen }),
			open: (opened) => set({ opened, chosen: [] }),
		}),
		now,
	);

export const partsOnBench = (design: KitDesign, opened: string | undefined): KitPart[] =>
	opened === undefined ? design.parts : (design.components.find(({ id }) => id === opened)?.parts ?? []);

function withParts(design: KitDesign, opened: string | undefined, parts: KitPart[]): KitDesign {
	if (opened === undefined) return { ...design, parts };
	return { ...design, components: design.components.map((one) => (one.id === opened ? { ...one, parts } : one)) };
}

const Context = createContext<KitDraftStore | null>(null);
export const DraftProvider = Context.Provider;

export function useDraftStore(): KitDraftStore {
	const store = useContext(Context);
	if (!store) throw new Error("No kit lies on the bench.");
	return store;
}

export const useDraft = <T>(pick: (draft: KitDraft) => T): T => useStore(useDraftStore(), pick);

export const useHistory = (): Steps => useSteps(useDraftStore());

export const useParts = (): KitPart[] => useDraft(({ document, opened }) => partsOnBench(document, opened));

export const useChosen = (): KitPart[] => {
	const parts = useParts();
	const chosen = useDraft((draft) => draft.chosen);
	return parts.filter(({ id }) => chosen.includes(id));
};

export const newId = (): string => crypto.randomUUID().slice(0, 8);
