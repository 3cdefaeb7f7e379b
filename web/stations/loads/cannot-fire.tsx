import type { PieceBrief } from "@contract/pieces";
import { clockNear } from "@formats/time";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";

/** Pieces whose glue is wet or whose glass was never tested, each with the reason. */
export function CannotFire({ wet, untested }: { wet: readonly PieceBrief[]; untested: readonly PieceBrief[] }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	if (wet.length + untested.length === 0) return null;
	return (
		<div className="mt-4 px-5">
			<h2 className="mb-1">Cannot be fired yet</h2>
			<ul className="ruled">
				{wet.map((piece) => (
					<li key={piece.id} className="flex justify-between py-2">
						<a className="hover:underline" href={`/piece/${piece.code}`}>
							<b className="figure">{piece.code}</b> {piece.student}
						</a>
						<span className="figure text-soft">
							wet until {clockNear(piece.readyFrom ?? "", new Date(nowMs), timeZone)}
						</span>
					</li>
				))}
				{untested.map((piece) => (
					<li key={piece.id} className="flex justify-between py-2">
						<a className="hover:underline" href={`/piece/${piece.code}`}>
							<b className="figure">{piece.code}</b> {piece.student}
						</a>
						<span className="font-semibold text-error">untested glass</span>
					</li>
				))}
			</ul>
		</div>
	);
}
