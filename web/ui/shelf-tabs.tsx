import { shelfWords } from "@core/loading/tiers";

interface Props {
	/** Pieces on each shelf, the lowest first. */
	counts: readonly number[];
	shown: number;
	onShow(shelf: number): void;
	children?: React.ReactNode;
}

/** Which of a kiln's shelves is shown; nothing where there is one. */
export function ShelfTabs({ counts, shown, onShow, children }: Props) {
	if (counts.length < 2 && !children) return null;
	return (
		<div role="group" aria-label="Shelves, from the lowest" className="flex items-center gap-1.5">
			<div className={counts.length > 1 ? "join" : "hidden"}>
				{counts.map((n, i) => (
					<button
						key={i}
						type="button"
						aria-pressed={i === shown}
						className={`btn btn-sm join-item max-lg:h-11 ${i === shown ? "btn-secondary" : ""}`}
						onClick={() => onShow(i)}
					>
						{shelfWords(i, counts.length)} <span className="figure">{n}</span>
					</button>
				))}
			</div>
			{children}
		</div>
	);
}
