import type { CalendarFiring } from "@contract/loads";
import { type PointerEvent as Pointer, useState } from "react";
import { useDrag } from "../../../lib/use-drag";
import type { CalendarFrame } from "./scale";

/** An announced firing held over another hour or kiln. */
export interface Held {
	id: string;
	kiln: number;
	startMs: number;
}

const QUARTER_MS = 15 * 60_000;
const HOUR_MS = 4 * QUARTER_MS;

const quarter = (ms: number) => Math.round(ms / QUARTER_MS) * QUARTER_MS;

/**
 * Takes an announced firing along the calendar by pointer, or by keys: left and right an hour, up and down a kiln, Enter lets it go
 * there, Escape puts it back.
 */
export function useDragFiring(
	frame: CalendarFrame,
	kilns: readonly { id: string }[],
	nowMs: number,
	drop: (held: Held) => void,
) {
	const [held, setHeld] = useState<Held>();
	const at = (event: Pointer<Element>): { ms: number; kiln: number } => {
		const svg = (event.currentTarget as SVGElement).ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
		const box = svg.getBoundingClientRect();
		const scale = svg.viewBox.baseVal.width / box.width;
		const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
		return { ms: frame.msAt(x), kiln: frame.kilnAt(y) };
	};
	const letGo = (its: Held) => {
		setHeld(undefined);
		drop(its);
	};
	const soon = (ms: number) => Math.max(quarter(ms), Math.ceil(nowMs / QUARTER_MS) * QUARTER_MS);
	const kilnOf = (firing: CalendarFiring) =>
		Math.max(
			0,
			kilns.findIndex(({ id }) => id === firing.kilnId),
		);
	const drag = useDrag<{ firing: CalendarFiring; ms: number }>({
		move({ firing, ms: gripMs }, event) {
			const { ms, kiln } = at(event);
			const startMs = soon(ms - gripMs);
			if (held || Math.abs(startMs - firing.from) >= HOUR_MS || kiln !== kilnOf(firing))
				setHeld({ id: firing.id, kiln, startMs });
		},
		drop: ({ firing }) => held?.id === firing.id && letGo(held),
		giveUp: () => setHeld(undefined),
	});
	return {
		held,
		handlers: (firing: CalendarFiring) => ({
			...drag((event) => ({ firing, ms: at(event).ms - firing.from })),
			onKeyDown: (event: React.KeyboardEvent) => {
				const now =
					held?.id === firing.id ? held : { id: firing.id, kiln: kilnOf(firing), startMs: quarter(firing.from) };
				const moved = movedBy(event.key, now, kilns.length);
				if (moved) setHeld({ ...moved, startMs: soon(moved.startMs) });
				else if (event.key === "Enter" && held?.id === firing.id) letGo(held);
				else if (event.key === "Escape" && held) setHeld(undefined);
				else return;
				event.preventDefault();
			},
		}),
	};
}

function movedBy(key: string, held: Held, kilns: number): Held | undefined {
	switch (key) {
		case "ArrowLeft":
			return { ...held, startMs: held.startMs - HOUR_MS };
		case "ArrowRight":
			return { ...held, startMs: held.startMs + HOUR_MS };
		case "ArrowUp":
			return { ...held, kiln: Math.max(0, held.kiln - 1) };
		case "ArrowDown":
			return { ...held, kiln: Math.min(kilns - 1, held.kiln + 1) };
		default:
			return undefined;
	}
}
