import { Trouble } from "../../forms/notice";
import type { useTicks } from "./use-ticks";

/** What did not get through, and the press that sends it again. */
export function TicksTrouble({ ticks: { error, again } }: { ticks: ReturnType<typeof useTicks> }) {
	if (!error) return null;
	return (
		<div className="flex flex-col items-start gap-2">
			<Trouble error={error} />
			{again && (
				<button type="button" className="btn btn-sm max-lg:h-11" onClick={again}>
					Send it again
				</button>
			)}
		</div>
	);
}
