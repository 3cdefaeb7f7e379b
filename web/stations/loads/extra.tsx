import type { ActionOutput } from "@contract/actions";
import type { SheetPiece } from "@contract/loads";
import { Trouble } from "../../forms/notice";
import { see, useAct } from "../../lib/api";

/** A piece that was scanned and is not in this load: where it is, and whether it may take a missing one's place. */
export function Extra({
	firingId,
	answer,
	missing,
}: {
	firingId: string;
	answer: Extract<ActionOutput["confirmPlace"], { is: "extra" }>;
	missing: readonly SheetPiece[];
}) {
	const replace = useAct("replaceInLoad");
	const { pieceId } = answer;
	const put = async (outId: string) => {
		if (!pieceId) return;
		const { piece } = await see("piece", { code: answer.code });
		replace.mutate({ firingId, outId, inId: pieceId, inSeq: piece.seq });
	};
	if (replace.data)
		return (
			<p className="font-semibold text-success">
				<span className="figure">{answer.code}</span> took the place; the schedule was made anew for this load.
			</p>
		);
	return (
		<>
			<p className="font-semibold text-error">{answer.sentence}</p>
			{answer.mayReplace && missing.length > 0 && (
				<div className="flex flex-wrap items-center gap-2">
					<span>Put it in the place of</span>
					{missing.slice(0, 6).map(({ id, code }) => (
						<button
							key={id}
							type="button"
							className="btn btn-sm max-lg:h-11"
							disabled={replace.isPending}
							onClick={() => put(id)}
						>
							<b className="figure">{code}</b>
						</button>
					))}
				</div>
			)}
			<Trouble error={replace.error} />
		</>
	);
}
