import type { ZoomBehavior, ZoomTransform } from "d3-zoom";
import { useEffect, useRef, useState } from "react";

const MOST = 60;

/**
 * Zoom and pan along time. Wheel with Ctrl or Shift, pinch, drag, or the buttons; what carries `data-handle` is not panned but
 * dragged. d3-zoom comes with the first touch of the chart, not with the page.
 * @returns the transform to rescale time with (null: the whole), what the buttons do, and `wake` for the first touch
 */
export function useZoom(svg: React.RefObject<SVGSVGElement | null>, width: number, height: number, enabled: boolean) {
	const [transform, setTransform] = useState<ZoomTransform | null>(null);
	const awake = useRef<Promise<Woken> | null>(null);
	const wake = (): Promise<Woken> | null => {
		const node = svg.current;
		if (!node || !enabled) return null;
		awake.current ??= wakeZoom(node, width, height, setTransform);
		return awake.current;
	};
	useEffect(
		() => () => {
			void awake.current?.then(({ sleep }) => sleep());
		},
		[],
	);
	return {
		transform,
		wake: () => void wake(),
		by: (factor: number) => void wake()?.then(({ by }) => by(factor)),
		whole: () => void wake()?.then(({ whole }) => whole()),
	};
}

interface Woken {
	by(factor: number): void;
	whole(): void;
	sleep(): void;
}

async function wakeZoom(
	node: SVGSVGElement,
	width: number,
	height: number,
	onZoom: (transform: ZoomTransform | null) => void,
): Promise<Woken> {
	const [{ select }, { zoom, zoomIdentity }] = await Promise.all([import("d3-selection"), import("d3-zoom")]);
	const made: ZoomBehavior<SVGSVGElement, unknown> = zoom<SVGSVGElement, unknown>()
		.scaleExtent([1, MOST])
		.extent([
			[0, 0],
			[width, height],
		])
		.translateExtent([
			[0, 0],
			[width, height],
		])
		.filter((event: Event) => {
			if ((event.target as Element).closest("[data-handle]")) return false;
			return event.type !== "wheel" || (event as WheelEvent).ctrlKey || (event as WheelEvent).shiftKey;
		})
		.on("zoom", (event: { transform: ZoomTransform }) => onZoom(event.transform.k > 1 ? event.transform : null));
	const chosen = select(node).call(made).on("dblclick.zoom", null);
	return {
		by: (factor) => made.scaleBy(chosen, factor),
		whole: () => made.transform(chosen, zoomIdentity),
		sleep: () => {
			chosen.on(".zoom", null);
		},
	};
}
