import { select } from "d3-selection";
import { type ZoomBehavior, type ZoomTransform, zoom, zoomIdentity } from "d3-zoom";
import { useEffect, useRef, useState } from "react";

const MOST = 60;

/**
 * Zoom and pan along time. Wheel with Ctrl, pinch, drag, or the buttons; what carries `data-handle` is not panned but dragged.
 * @returns the transform to rescale time with, and what the buttons do
 */
export function useZoom(svg: React.RefObject<SVGSVGElement | null>, width: number, height: number, enabled: boolean) {
	const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
	const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
	useEffect(() => {
		const node = svg.current;
		if (!node || !enabled) return;
		const made = zoom<SVGSVGElement, unknown>()
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
			.on("zoom", (event: { transform: ZoomTransform }) => setTransform(event.transform));
		behaviour.current = made;
		const chosen = select(node).call(made).on("dblclick.zoom", null);
		return () => {
			chosen.on(".zoom", null);
		};
	}, [svg, width, height, enabled]);
	const by = (factor: number) => {
		const node = svg.current;
		if (node && behaviour.current) behaviour.current.scaleBy(select(node), factor);
	};
	const whole = () => {
		const node = svg.current;
		if (node && behaviour.current) behaviour.current.transform(select(node), zoomIdentity);
	};
	return { transform, by, whole };
}
