import { type PointerEvent as Pointer, useRef } from "react";

/** What one pointer does between being pressed and let go. */
interface Drag<Grip> {
	move(grip: Grip, event: Pointer<Element>): void;
	/** Let go on purpose: the only way that commits. */
	drop(grip: Grip): void;
	/** Taken away by the system: everything is as it was before. */
	giveUp(grip: Grip): void;
	/** Which buttons take hold: the first, if nothing is said. */
	buttons?: readonly number[];
}

/** Takes hold, where there is something to hold. */
type Begin<Grip> = (event: Pointer<Element>) => Grip | undefined;

/** One of some elements held by one pointer; a second finger changes nothing. Handlers of an element, by what it begins. */
export function useDrag<Grip>({ move, drop, giveUp, buttons = [0] }: Drag<Grip>) {
	const held = useRef<{ grip: Grip; pointer: number } | null>(null);
	const ended = (event: Pointer<Element>, end: (grip: Grip) => void) => {
		const its = held.current;
		if (its?.pointer !== event.pointerId) return;
		held.current = null;
		end(its.grip);
	};
	return (begin: Begin<Grip>) => ({
		onPointerDown(event: Pointer<Element>) {
			if (held.current || !buttons.includes(event.button)) return;
			const grip = begin(event);
			if (grip === undefined) return;
			event.currentTarget.setPointerCapture(event.pointerId);
			held.current = { grip, pointer: event.pointerId };
		},
		onPointerMove(event: Pointer<Element>) {
			if (held.current?.pointer === event.pointerId) move(held.current.grip, event);
		},
		onPointerUp: (event: Pointer<Element>) => ended(event, drop),
		onPointerCancel: (event: Pointer<Element>) => ended(event, giveUp),
	});
}
