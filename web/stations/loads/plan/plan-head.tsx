import { counted } from "@core/units/counted";
import type { useMayMove } from "./use-may-move";

interface Props {
	kilns: number;
	waiting: number;
	moving: ReturnType<typeof useMayMove>;
	days: number;
	onDays(days: number): void;
}

/** What is planned, whether announced firings may move, and how many days are in sight. */
export const PlanHead = ({ kilns, waiting, moving, days, onDays }: Props) => (
	<div className="flex items-end justify-between gap-3 max-lg:flex-wrap">
		<h1 className="text-xl font-bold">
			Two weeks, {counted(kilns, "kiln")}, {counted(waiting, "piece")} waiting
		</h1>
		{moving.may.length > 0 && (
			<label className="ml-auto flex h-8 items-center gap-2 max-lg:h-11">
				<input
					type="checkbox"
					className="checkbox checkbox-sm"
					checked={moving.isOn}
					onChange={(event) => moving.turn(event.target.checked)}
				/>
				{moving.may.length === 1 ? "the announced one may move" : `the ${moving.may.length} announced may move`}
			</label>
		)}
		<div role="group" aria-label="Days in sight" className="join">
			{[5, 9, 14].map((n) => (
				<button
					key={n}
					type="button"
					aria-pressed={n === days}
					className={`btn btn-sm join-item ${n === days ? "btn-secondary" : ""}`}
					onClick={() => onDays(n)}
				>
					{n} days
				</button>
			))}
		</div>
	</div>
);
