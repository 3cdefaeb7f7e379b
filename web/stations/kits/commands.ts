import { kitPart } from "@contract/documents/kit-design";
import { boundsOf } from "@core/geometry/bounds";
import type { Glass } from "@core/glass/glass";
import type { KitPart } from "@core/kit/kit";
import { placedRegion } from "@core/kit/plan";
import { tidyMm } from "@core/units/tidy";
import { usePrefs } from "../../lib/prefs";
import { useKeys } from "../../lib/use-keys";
import { type KitDraft, type KitDraftStore, newId, partsOnBench, useDraftStore } from "./draft";

/** Parts travel between kits through the browser's own store: copied on one bench, laid on another. */
const CLIPBOARD = "zephyr-parts";
const STEPS_MM = { mm: { usual: 1, wide: 10, fine: 0.1 }, in: { usual: 25.4 / 16, wide: 25.4 / 2, fine: 25.4 / 64 } };

/** What is done to the chosen parts, by button and by key. */
export function useCommands(glasses: readonly Glass[], mayEdit: boolean) {
	const store = useDraftStore();
	const { units } = usePrefs();
	const steps = STEPS_MM[units.length];
	const commands = {
		copy: () => copyChosen(store),
		paste: () => paste(store, glasses),
		duplicate: () => duplicate(store),
		remove: () => removeChosen(store),
		raise: (by: number) => editChosen(store, (part) => ({ ...part, layer: Math.max(0, part.layer + by) }), "layer"),
		turn: (by: number) => editChosen(store, (part) => ({ ...part, turnDeg: wrapped(part.turnDeg + by) }), "turn"),
		middle: () => intoMiddle(store, glasses),
	};
	const nudge = (x: number, y: number) => (event: KeyboardEvent) => {
		if (store.getState().chosen.length === 0) return false;
		const step = event.shiftKey ? steps.wide : event.altKey ? steps.fine : steps.usual;
		return editChosen(store, (part) => nudged(part, x * step, y * step), `nudge ${event.key}`);
	};
	useKeys(
		{
			arrowleft: nudge(-1, 0),
			arrowright: nudge(1, 0),
			arrowup: nudge(0, 1),
			arrowdown: nudge(0, -1),
			delete: commands.remove,
			backspace: commands.remove,
			r: (event) => commands.turn(event.shiftKey ? -15 : 15),
			"[": () => commands.raise(-1),
			"]": () => commands.raise(1),
			escape: () => store.getState().choose([]),
			"ctrl+a": () => chooseAll(store),
			"ctrl+c": commands.copy,
			"ctrl+v": commands.paste,
			"ctrl+d": commands.duplicate,
		},
		{ enabled: mayEdit },
	);
	return commands;
}
export type Commands = ReturnType<typeof useCommands>;

const wrapped = (degrees: number) => ((((degrees + 180) % 360) + 360) % 360) - 180;
const nudged = (part: KitPart, dx: number, dy: number): KitPart => ({
	...part,
	xMm: tidyMm(part.xMm + dx),
	yMm: tidyMm(part.yMm + dy),
});

function editChosen(store: KitDraftStore, edit: (part: KitPart) => KitPart, what: string): void {
	const { chosen, editParts } = store.getState();
	if (chosen.length === 0) return;
	editParts((parts) => parts.map((part) => (chosen.includes(part.id) ? edit(part) : part)), `${what} ${chosen.join()}`);
}

const chosenParts = ({ document, opened, chosen }: KitDraft) =>
	partsOnBench(document, opened).filter(({ id }) => chosen.includes(id));

function chooseAll(store: KitDraftStore): void {
	const { document: design, opened, choose } = store.getState();
	choose(partsOnBench(design, opened).map(({ id }) => id));
}

function removeChosen(store: KitDraftStore): void {
	const { chosen, editParts, choose } = store.getState();
	editParts((parts) => parts.filter(({ id }) => !chosen.includes(id)));
	choose([]);
}

function addAndChoose(store: KitDraftStore, parts: readonly KitPart[]): void {
	const { editParts, choose } = store.getState();
	editParts((all) => [...all, ...parts]);
	choose(parts.map(({ id }) => id));
}

const ASIDE_MM = 10;

function duplicate(store: KitDraftStore): void {
	const copies = chosenParts(store.getState()).map((part) => ({ ...nudged(part, ASIDE_MM, ASIDE_MM), id: newId() }));
	if (copies.length > 0) addAndChoose(store, copies);
}

function copyChosen(store: KitDraftStore): void {
	const parts = chosenParts(store.getState());
	if (parts.length > 0) localStorage.setItem(CLIPBOARD, JSON.stringify(parts));
}

/** Lays copied parts; only such as can be read, of glass that is in the book, for a firing this kit has. */
function paste(store: KitDraftStore, glasses: readonly Glass[]): void {
	const { document: design } = store.getState();
	const last = design.route.length - 1;
	const fits = (part: KitPart) =>
		part.kind === "component"
			? design.components.some(({ id }) => id === part.componentId)
			: !("glassId" in part) || glasses.some(({ id }) => id === part.glassId);
	let raw: unknown = [];
	try {
		raw = JSON.parse(localStorage.getItem(CLIPBOARD) ?? "[]");
	} catch {
		return;
	}
	const read = (Array.isArray(raw) ? raw : []).flatMap((one) => {
		const parsed = kitPart.safeParse(one);
		return parsed.success && fits(parsed.data) ? [parsed.data] : [];
	});
	const parts = read.map((part) => ({ ...part, id: newId(), firing: Math.min(part.firing, last) }));
	if (parts.length > 0) addAndChoose(store, parts);
}

/** Brings the chosen parts, as one, to the middle of the plan. */
function intoMiddle(store: KitDraftStore, glasses: readonly Glass[]): void {
	const { document: design } = store.getState();
	const regions = chosenParts(store.getState()).flatMap((part) =>
		placedRegion(
			part,
			design,
			glasses.find(({ id }) => "glassId" in part && id === part.glassId),
		),
	);
	const { minX, maxX, minY, maxY } = boundsOf(regions);
	editChosen(store, (part) => nudged(part, -(minX + maxX) / 2, -(minY + maxY) / 2), "middle");
}
