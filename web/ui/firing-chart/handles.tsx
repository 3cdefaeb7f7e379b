import { useDrag } from "../../lib/use-drag";

/** A point of a schedule that can be dragged: where a segment arrives, or where its hold ends. */
export interface ChartHandle {
	key: string;
	s: number;
	c: number;
	label: string;
	/** Moved to another time and temperature; `done` when it was let go. */
	onMove(s: number, c: number): void;
	onChoose?(): void;
	chosen?: boolean;
}

/** Where times (s) and temperatures (°C) stand on a chart, and which ones a pointer is at. */
export interface OnChart {
	x(s: number): number;
	y(c: number): number;
	at(event: React.PointerEvent): { s: number; c: number };
}

const STEP_S = 300;
const STEP_C = 1;

/** Handles on the curve: dragged, or moved by the arrow keys. */
export function Handles({ handles, x, y, at }: OnChart & { handles: readonly ChartHandle[] }) {
	/** A curve follows the pointer: given up, it goes back to where it was taken. */
	const drag = useDrag<Pick<ChartHandle, "s" | "c" | "key">>({
		move({ key }, event) {
			event.stopPropagation();
			const to = at(event);
			handles.find((one) => one.key === key)?.onMove(to.s, to.c);
		},
		drop: () => {},
		giveUp: ({ key, s, c }) => handles.find((one) => one.key === key)?.onMove(s, c),
	});
	return (
		<g>
			{handles.map(({ key, s, c, label, onMove, onChoose, chosen }) => (
				<g
					key={key}
					data-handle={key}
					role="slider"
					tabIndex={0}
					aria-label={label}
					aria-valuenow={Math.round(c)}
					aria-valuetext={label}
					className="cursor-grab outline-offset-1 focus-visible:outline-2 focus-visible:outline-secondary"
					onFocus={onChoose}
					{...drag((event) => {
						event.stopPropagation();
						onChoose?.();
						return { key, s, c };
					})}
					onKeyDown={(event) => {
						const steps: Record<string, [number, number]> = {
							ArrowUp: [0, event.shiftKey ? 10 : STEP_C],
							ArrowDown: [0, event.shiftKey ? -10 : -STEP_C],
							ArrowLeft: [-STEP_S, 0],
							ArrowRight: [STEP_S, 0],
						};
						const step = steps[event.key];
						if (!step) return;
						event.preventDefault();
						onMove(s + step[0], c + step[1]);
					}}
				>
					<circle cx={x(s)} cy={y(c)} r="15" className="fill-transparent" />
					<circle
						cx={x(s)}
						cy={y(c)}
						r="5.5"
						className={chosen ? "fill-secondary stroke-base-100" : "fill-base-100 stroke-base-content"}
						strokeWidth="2"
					/>
				</g>
			))}
		</g>
	);
}
