import type { CutRun } from "@contract/cutting";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";

/** Kits that were changed since they were put on the list, and the press that takes them as they are now. */
export function OldKits({ runs }: { runs: readonly CutRun[] }) {
	const renew = useAct("renewCut");
	const old = runs.filter(({ isOld }) => isOld);
	if (old.length === 0) return null;
	return (
		<div className="flex flex-col gap-1">
			{old.map(({ id, kit }) => (
				<p key={id} className="flex items-center justify-between gap-3 font-semibold text-warning">
					“{kit.name}” was changed since this list was made. What is cut of parts that stay the same stays counted.
					<button
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={renew.isPending}
						onClick={() => renew.mutate({ cutRunId: id })}
					>
						Take it as it is now
					</button>
				</p>
			))}
			<Trouble error={renew.error} />
		</div>
	);
}
