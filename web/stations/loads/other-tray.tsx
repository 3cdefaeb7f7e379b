import type { PieceBrief } from "@contract/pieces";
import { LEVEL_WORDS } from "@core/firing/level";
import { otherTrays } from "@core/loading/other-trays";
import { phraseText } from "@core/units/phrase";
import { useState } from "react";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { LevelGlyph } from "../../ui/signs";

/** A piece goes with the next hotter or cooler tray, if its instructor says so: what that does to it is said before. */
export default function OtherTray({ pieces }: { pieces: readonly PieceBrief[] }) {
	const { units } = usePrefs();
	const [id, setId] = useState(pieces[0]?.id);
	const change = useAct("changeLevel");
	const piece = pieces.find((one) => one.id === id) ?? pieces[0];
	if (!piece?.body) return null;
	const ways = otherTrays(piece.body);
	return (
		<section aria-label="Into another tray" className="flex flex-col gap-2 border-t border-line pt-2">
			<select
				aria-label="Piece"
				className="select select-sm w-full max-lg:h-11"
				value={piece.id}
				onChange={(event) => setId(event.target.value)}
			>
				{pieces.map(({ id: its, code, student }) => (
					<option key={its} value={its}>
						{code} {student}
					</option>
				))}
			</select>
			{ways.length === 0 && (
				<p className="text-soft">
					After {LEVEL_WORDS[piece.hadLevel ?? piece.level]} no other tray changes it for the better.
				</p>
			)}
			{ways.map(({ level, way, does }) => (
				<div key={level}>
					<LevelGlyph level={level} />
					<p className="text-[13px] text-soft">{does.map((one) => phraseText(one, units)).join(" ")}</p>
					<button
						type="button"
						className="btn btn-sm mt-1 max-lg:h-11"
						disabled={change.isPending}
						onClick={() => change.send((newId) => ({ pieceId: piece.id, eventId: newId(), seq: piece.seq, level }))}
					>
						{way === "up" ? "Up" : "Down"} into {LEVEL_WORDS[level]}
					</button>
				</div>
			))}
			<Trouble error={change.error} />
		</section>
	);
}
