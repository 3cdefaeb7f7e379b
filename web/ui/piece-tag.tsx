import type { PieceBrief } from "@contract/pieces";
import { LevelGlyph, StackBar } from "./signs";

/** How a piece shows itself everywhere: stack bar, code, whose it is, glyph with its word. */
export function PieceTag({
	piece,
	aside,
	link = true,
}: {
	piece: PieceBrief;
	aside?: React.ReactNode;
	link?: boolean;
}) {
	const code = <span className="figure text-base font-bold tracking-wide">{piece.code}</span>;
	return (
		<div className="flex min-w-0 items-center gap-3 py-1.5">
			<StackBar stack={piece.stack} />
			<div className="min-w-0 flex-1">
				<div className="flex items-baseline gap-2">
					{link ? (
						<a href={`/piece/${piece.code}`} className="hover:underline">
							{code}
						</a>
					) : (
						code
					)}
					<span className="truncate">{piece.student ?? "nobody’s yet"}</span>
				</div>
				<div className="truncate text-soft">
					{piece.kit}
					{piece.good !== null && (
						<>
							, <b className="figure text-base-content">{piece.good}</b> good
						</>
					)}
				</div>
			</div>
			<LevelGlyph level={piece.level} />
			{aside}
		</div>
	);
}
