import { keepsSurface, LEVEL_AIM } from "../firing/level";
import { componentsFiring } from "../kit/components-firing";
import type { KitDesign } from "../kit/kit";
import { afterWithin } from "./bodies";
import type { GlassBook } from "./lay";
import { type Stack, stackOf } from "./stack";

/** The kit as it lies on the shelf in a firing before the one that assembles it: its components beside each other. */
const designOfFiring = (design: KitDesign, firing: number, book: Stack["book"]): KitDesign => ({
	...design,
	parts: componentsFiring(design, firing, book.glasses),
	components: design.components.filter((component) => component.firing < firing),
});

/** The glass of every firing of a route: components by themselves before it is put together, nothing new afterwards. */
export function firingStacks(stack: Stack): Stack[] {
	const { design, book } = stack;
	return design.route.map((_, i) => {
		if (i === stack.firing) return stack;
		return i > stack.firing ? laterFiring(stack, i) : stackOf(designOfFiring(design, i, book), book, i);
	});
}

/**
 * The piece itself in every firing that it goes through: before it is put together as far as it is laid by then. Without the firings
 * that only make its components.
 */
export function pieceStacks(stack: Stack): Stack[] {
	const { design, book } = stack;
	const first = Math.min(...design.parts.map(({ firing }) => firing), design.route.length - 1);
	return design.route.flatMap((_, i) => {
		if (i < first) return [];
		if (i === stack.firing) return [stack];
		return [i > stack.firing ? laterFiring(stack, i) : stackOf(design, book, i)];
	});
}

/** What a schedule has to know of in each firing of a route: the piece, or its components where there is none yet. */
export function routeStacks(stack: Stack): Stack[] {
	const its = pieceStacks(stack);
	const before = stack.design.route.length - its.length;
	return firingStacks(stack).map((one, i) => its[i - before] ?? one);
}

/** One of a kit’s components as the firing that makes it finds it: by itself. */
export function componentStack(design: KitDesign, componentId: string, book: GlassBook): Stack | undefined {
	const component = design.components.find(({ id }) => id === componentId);
	const step = component && design.route[component.firing];
	if (!component || !step) return undefined;
	const parts = component.parts.map((part) => ({ ...part, firing: 0 }));
	return stackOf({ ...design, name: component.name, parts, components: [], route: [step] }, book, 0);
}

/** The same glass in a later firing: nothing new is laid on it. Its outline is that of the firing that put it together. */
function laterFiring(stack: Stack, firing: number): Stack {
	const { route } = stack.design;
	const step = route[firing] ?? stack.step;
	const levels = route.slice(0, firing).map(({ level }) => level);
	return {
		...stack,
		firing,
		step,
		level: step.level,
		hadLevel: levels.findLast((level) => !keepsSurface(level)) ?? stack.level,
		flow: route.slice(stack.firing, firing + 1).reduce((sum, { level }) => sum + LEVEL_AIM[level], 0),
		isLater: true,
		glass: stack.glass.map((lain) => ({ ...lain, fused: true })),
	};
}

/** With the outline it ends at: its edges have had the heat of every firing since it was put together. */
export function heatedThrough(stack: Stack): Stack {
	if (!stack.isLater) return stack;
	const bodies = stack.bodies.map(({ parts }) => ({ parts, after: afterWithin(parts, stack.flow, stack.walls) }));
	return { ...stack, bodies };
}
