import type { Bounds } from "@core/geometry/bounds";
import type { Point } from "@core/geometry/region";
import type { Drawn, Moved, PlanMode } from "./use-plan-drag";

/** The lines that what is moved snapped to. */
export function SnapLines({
	moved,
	edges,
	px,
}: {
	moved: Moved;
	edges: Omit<Bounds, "widthMm" | "heightMm">;
	px: number;
}) {
	return (
		<g className="stroke-secondary" strokeWidth={px} strokeDasharray={`${px * 3} ${px * 3}`} pointerEvents="none">
			{moved.snapX !== undefined && <path d={`M${moved.snapX} ${-edges.maxY}V${-edges.minY}`} />}
			{moved.snapY !== undefined && <path d={`M${edges.minX} ${-moved.snapY}H${edges.maxX}`} />}
		</g>
	);
}

/** What is being drawn: a frame round parts, a stringer's line, scores across a sheet. */
export function Drawing({
	mode,
	line,
	pointer,
	px,
}: {
	mode: PlanMode;
	line: Drawn | undefined;
	pointer: Point | undefined;
	px: number;
}) {
	const scores = mode.kind === "scores" ? [...mode.scores, ...(line?.kind === "score" ? [line] : [])] : [];
	const points = mode.kind === "line" ? [...mode.points, ...(pointer ? [pointer] : [])] : [];
	return (
		<g pointerEvents="none" fill="none" strokeWidth={px * 2}>
			{line?.kind === "frame" && (
				<path
					className="fill-secondary/10 stroke-secondary"
					strokeWidth={px}
					d={`M${line.from.x} ${-line.from.y}H${line.to.x}V${-line.to.y}H${line.from.x}Z`}
				/>
			)}
			{scores.map(({ from, to }, i) => (
				<path key={i} className="stroke-error" d={`M${from.x} ${-from.y}L${to.x} ${-to.y}`} />
			))}
			{points.length > 0 && (
				<path className="stroke-secondary" d={`M${points.map(({ x, y }) => `${x} ${-y}`).join("L")}`} />
			)}
		</g>
	);
}
