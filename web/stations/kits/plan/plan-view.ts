import type { boundsOf } from "@core/geometry/bounds";
import type { Point } from "@core/geometry/region";
import { useEffect, useMemo, useRef, useState } from "react";

/** Which piece of the plan is seen: its middle (mm) and how many pixels a millimetre takes. */
interface Window {
	x: number;
	y: number;
	pxPerMm: number;
}

/** Room round what lies there for its dimensions, pixels. */
const ROUND_PX = { w: 170, h: 96 };
const [LEAST_PX, MOST_PX] = [0.4, 60];

/** The moving window over the plan: fitted to what lies there, zoomed about the pointer, shifted by dragging. */
export function usePlanWindow(box: ReturnType<typeof boundsOf>) {
	const svg = useRef<SVGSVGElement>(null);
	const [size, setSize] = useState({ w: 640, h: 440 });
	const [own, setOwn] = useState<Window | undefined>();
	const [held, setHeld] = useState<Window | undefined>();
	useEffect(() => {
		const element = svg.current;
		if (!element) return;
		const watch = new ResizeObserver(([entry]) => {
			const { width = 0, height = 0 } = entry?.contentRect ?? {};
			if (width > 0 && height > 0) setSize({ w: width, h: height });
		});
		watch.observe(element);
		return () => watch.disconnect();
	}, []);
	const fitted: Window = {
		x: (box.minX + box.maxX) / 2,
		y: (box.minY + box.maxY) / 2,
		pxPerMm: Math.min(
			Math.max(size.w - ROUND_PX.w, 60) / Math.max(box.widthMm, 40),
			Math.max(size.h - ROUND_PX.h, 60) / Math.max(box.heightMm, 40),
		),
	};
	const seen = own ?? held ?? fitted;
	const [w, h] = [size.w / seen.pxPerMm, size.h / seen.pxPerMm];
	const edges = useMemo(
		() => ({ minX: seen.x - w / 2, maxX: seen.x + w / 2, minY: seen.y - h / 2, maxY: seen.y + h / 2 }),
		[seen.x, seen.y, w, h],
	);
	/** Plan coordinates (mm) of a place on the screen. */
	const toPlan = (clientX: number, clientY: number): Point => {
		const rect = svg.current?.getBoundingClientRect();
		if (!rect) return { x: 0, y: 0 };
		return {
			x: seen.x + (clientX - rect.left - rect.width / 2) / seen.pxPerMm,
			y: seen.y - (clientY - rect.top - rect.height / 2) / seen.pxPerMm,
		};
	};
	const zoom = (factor: number, about?: Point) => {
		const pxPerMm = Math.min(MOST_PX, Math.max(LEAST_PX, seen.pxPerMm * factor));
		const at = about ?? seen;
		const share = seen.pxPerMm / pxPerMm;
		setOwn({ x: at.x + (seen.x - at.x) * share, y: at.y + (seen.y - at.y) * share, pxPerMm });
	};
	const pan = (byPx: { x: number; y: number }) =>
		setOwn({ ...seen, x: seen.x - byPx.x / seen.pxPerMm, y: seen.y + byPx.y / seen.pxPerMm });
	useWheel(svg, (event) => zoom(Math.exp(-event.deltaY * 0.0016), toPlan(event.clientX, event.clientY)));
	return {
		svg,
		/** Millimetres a screen pixel covers: strokes and words are sized by it. */
		mmPerPx: 1 / seen.pxPerMm,
		viewBox: `${seen.x - w / 2} ${-seen.y - h / 2} ${w} ${h}`,
		edges,
		toPlan,
		zoom,
		pan,
		fit: () => setOwn(undefined),
		/** Keeps the window while something is dragged, so that the plan does not run away under the pointer. */
		hold: () => setHeld(seen),
		letGo: () => setHeld(undefined),
	};
}

/** React's wheel events are passive: they cannot keep the page from scrolling. */
function useWheel(svg: React.RefObject<SVGSVGElement | null>, turn: (event: WheelEvent) => void) {
	const newest = useRef(turn);
	newest.current = turn;
	useEffect(() => {
		const element = svg.current;
		if (!element) return;
		const onWheel = (event: WheelEvent) => {
			event.preventDefault();
			newest.current(event);
		};
		element.addEventListener("wheel", onWheel, { passive: false });
		return () => element.removeEventListener("wheel", onWheel);
	}, [svg]);
}
