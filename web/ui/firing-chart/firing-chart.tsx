import { Maximize2, ZoomIn, ZoomOut } from "lucide-react";
import { type ReactNode, useId, useMemo, useRef } from "react";
import { CrossHair } from "./cross-hair";
import { FiguresTable } from "./figures-table";
import { frameOf, LEFT } from "./frame-of";
import type { OnChart } from "./handles";
import { Axes, Bands, Curves, Legend, Mark } from "./layers";
import type { ChartStrip, CurveSeries } from "./series";
import { useZoom } from "./use-zoom";

interface Props {
	series: readonly CurveSeries[];
	width: number;
	height: number;
	/** Seconds into the firing, for the mark of now. */
	nowS?: number | undefined;
	/** When it may be opened, s. */
	openS?: number | undefined;
	bands?: readonly { fromS: number; toS: number; name: string }[];
	strips?: readonly ChartStrip[];
	/** What is dragged on the curve, drawn over it. */
	over?: (on: OnChart) => ReactNode;
	/** Time can be zoomed and panned. */
	zoomable?: boolean;
	/** What the wall's clock says at a time of the axis. */
	clockOf?: ((s: number) => string) | undefined;
	summary: string;
}

const NONE: never[] = [];

/** Plan, simulation and measurement on one time axis, with a cross-hair, named phases and a table of the same figures. */
export function FiringChart(props: Props) {
	const { series, width, height, nowS, openS, zoomable = false, summary, clockOf } = props;
	const { bands = NONE, strips = NONE, over } = props;
	const svg = useRef<SVGSVGElement>(null);
	const ids = useId();
	const { transform, wake, by, whole } = useZoom(svg, width, height, zoomable);
	const frame = useMemo(
		() => frameOf(series, strips.length, { width, height, openS }, transform),
		[series, strips.length, width, height, openS, transform],
	);
	const { x, y, wholeHeight, right, endS } = frame;
	const at = (event: React.PointerEvent) => {
		const box = (svg.current as SVGSVGElement).getBoundingClientRect();
		return {
			s: x.invert(((event.clientX - box.left) / box.width) * width),
			c: y.invert(((event.clientY - box.top) / box.height) * wholeHeight),
		};
	};
	const clipped = `url(#${ids}clip)`;
	return (
		<figure className="m-0">
			<div className="relative">
				<svg
					ref={svg}
					viewBox={`0 0 ${width} ${wholeHeight}`}
					className={`block w-full select-none ${zoomable || over ? "touch-none" : ""}`}
					role={over ? "group" : "img"}
					aria-labelledby={`${ids}title`}
					onPointerEnter={wake}
				>
					<title id={`${ids}title`}>{summary}</title>
					<clipPath id={`${ids}clip`}>
						<rect x={LEFT} y="0" width={right - LEFT} height={wholeHeight} />
					</clipPath>
					<g clipPath={clipped}>
						<Bands frame={frame} bands={bands} />
					</g>
					<Axes frame={frame} />
					<g clipPath={clipped}>
						<Curves frame={frame} series={series} strips={strips} />
						{openS !== undefined && (
							<Mark s={openS} word="open" frame={frame} className="stroke-base-content" dash="2 3" end />
						)}
						{nowS !== undefined && nowS > 0 && nowS < endS && (
							<Mark s={nowS} word="now" frame={frame} className="stroke-accent" />
						)}
						<CrossHair svg={svg} frame={frame} series={series} strips={strips} clockOf={clockOf} />
						{over?.({ x, y, at })}
					</g>
				</svg>
				{zoomable && (
					<div className="no-print absolute -top-5 right-1 flex gap-0.5">
						<ZoomButton label="Zoom in" onPress={() => by(2)}>
							<ZoomIn size={15} />
						</ZoomButton>
						<ZoomButton label="Zoom out" onPress={() => by(0.5)}>
							<ZoomOut size={15} />
						</ZoomButton>
						{transform && (
							<ZoomButton label="Whole firing" onPress={whole}>
								<Maximize2 size={15} />
							</ZoomButton>
						)}
					</div>
				)}
			</div>
			<figcaption className="mt-1 flex flex-wrap gap-x-4 text-soft">
				<Legend series={series} />
				<FiguresTable series={series} strips={strips} hours={frame.hours} />
			</figcaption>
		</figure>
	);
}

function ZoomButton({ label, onPress, children }: { label: string; onPress(): void; children: ReactNode }) {
	return (
		<button
			type="button"
			className="btn btn-ghost btn-sm btn-square max-lg:size-11"
			aria-label={label}
			title={label}
			onClick={onPress}
		>
			{children}
		</button>
	);
}
