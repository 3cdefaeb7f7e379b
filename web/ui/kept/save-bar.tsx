import { Trouble } from "../../forms/notice";
import { Said } from "../../forms/said";
import type { KeptDocument } from "./use-kept";

interface Props {
	kept: Pick<KeptDocument, "keep" | "changed" | "pending" | "error">;
	/** What the button says while there is something to keep, and once it is kept. */
	words: { keep: string; kept: string };
	/** The first thing that stands against it. */
	obstacle: string | undefined;
}

/** The one button that keeps the document of a bench, with what stands against it. */
export function SaveBar({ kept, words, obstacle }: Props) {
	return (
		<div>
			{obstacle && (
				<p role="alert" className="mb-2 font-semibold text-error">
					<Said words={obstacle} />
				</p>
			)}
			<Trouble error={kept.error} />
			<button
				type="button"
				className="btn btn-primary w-full"
				aria-keyshortcuts="Control+s"
				disabled={kept.pending || !kept.changed}
				onClick={kept.keep}
			>
				{kept.pending ? "Saving …" : kept.changed ? words.keep : words.kept}
			</button>
		</div>
	);
}
