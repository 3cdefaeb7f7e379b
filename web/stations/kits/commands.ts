import { kitPart } from "@contract/kit";
import { boundsOf } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import type { KitDesign, KitPart } from "@core/kit/kit";
import { placedRegion } from "@core/kit/plan";
import { tidyMm } from "@core/units/tidy";
import { useEffect } from "react";
import { usePrefs } from "../../lib/prefs";
import { type DraftStore, newId, partsOnBench, useDraftStore } from "./draft";

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
		undo: () => store.temporal.getState().undo(),
		redo: () => store.temporal.getState().redo(),
	};
	useEffect(() => {
		if (!mayEdit) return;
		const onKey = (event: KeyboardEvent) => {
			if (isTyping(event.target) || document.querySelector("dialog[open]")) return;
			const step = event.shiftKey ? steps.wide : event.altKey ? steps.fine : steps.usual;
			if (act(event, store, commands, step)) event.preventDefault();
		};
		addEventListener("keydown", onKey);
		return () => removeEventListener("keydown", onKey);
	});
	return commands;
}
export type Commands = ReturnType<typeof useCommands>;

const isTyping = (target: EventTarget | null) =>
	target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

const ARROWS: Record<string, [number, number]> = {
	ArrowLeft: [-1, 0],
	ArrowRight: [1, 0],
	ArrowUp: [0, 1],
	ArrowDown: [0, -1],
};

/** Does what a key means on the bench; false where it means nothing. */
function act(event: KeyboardEvent, store: DraftStore, commands: Commands, stepMm: number): boolean {
	const key = event.key.toLowerCase();
	if (event.ctrlKey || event.metaKey) {
		const held: Record<string, () => unknown> = {
			z: event.shiftKey ? commands.redo : commands.undo,
			y: commands.redo,
			c: commands.copy,
			v: commands.paste,
			d: commands.duplicate,
			a: () => chooseAll(store),
		};
		held[key]?.();
		return key in held;
	}
	const arrow = ARROWS[event.key];
	if (arrow) {
		if (store.getState().chosen.length === 0) return false;
		editChosen(store, (part) => nudged(part, arrow[0] * stepMm, arrow[1] * stepMm), `nudge ${event.key}`);
		return true;
	}
	const alone: Record<string, () => unknown> = {
		delete: commands.remove,
		backspace: commands.remove,
		a: () => dispatchEvent(new Event("zephyr-add-part")),
		r: () => commands.turn(event.shiftKey ? -15 : 15),
		"[": () => commands.raise(-1),
		"]": () => commands.raise(1),
		escape: () => store.getState().choose([]),
	};
	alone[key]?.();
	return key in alone && key !== "escape";
}

const wrapped = (degrees: number) => ((((degrees + 180) % 360) + 360) % 360) - 180;
const nudged = (part: KitPart, dx: number, dy: number): KitPart => ({
	...part,
	xMm: tidyMm(part.xMm + dx),
	yMm: tidyMm(part.yMm + dy),
});

function editChosen(store: DraftStore, edit: (part: KitPart) => KitPart, what: string): void {
	const { chosen, editParts } = store.getState();
	if (chosen.length === 0) return;
	editParts((parts) => parts.map((part) => (chosen.includes(part.id) ? edit(part) : part)), `${what} ${chosen.join()}`);
}

const chosenParts = ({
	design,
	opened,
	chosen,
}: {
	design: KitDesign;
	opened: string | undefined;
	chosen: readonly string[];
}) => partsOnBench(design, opened).filter(({ id }) => chosen.includes(id));

function chooseAll(store: DraftStore): void {
	const { design, opened, choose } = store.getState();
	choose(partsOnBench(design, opened).map(({ id }) => id));
}

function removeChosen(store: DraftStore): void {
	const { chosen, editParts, choose } = store.getState();
	editParts((parts) => parts.filter(({ id }) => !chosen.includes(id)));
	choose([]);
}

function addAndChoose(store: DraftStore, parts: readonly KitPart[]): void {
	const { editParts, choose } = store.getState();
	editParts((all) => [...all, ...parts]);
	choose(parts.map(({ id }) => id));
}

const ASIDE_MM = 10;

function duplicate(store: DraftStore): void {
	const copies = chosenParts(store.getState()).map((part) => ({ ...nudged(part, ASIDE_MM, ASIDE_MM), id: newId() }));
	if (copies.length > 0) addAndChoose(store, copies);
}

function copyChosen(store: DraftStore): void {
	const parts = chosenParts(store.getState());
	if (parts.length > 0) localStorage.setItem(CLIPBOARD, JSON.stringify(parts));
}

/** Lays copied parts; only such as can be read, of glass that is in the book, for a firing this kit has. */
function paste(store: DraftStore, glasses: readonly Glass[]): void {
	const { design } = store.getState();
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
function intoMiddle(store: DraftStore, glasses: readonly Glass[]): void {
	const { design } = store.getState();
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
