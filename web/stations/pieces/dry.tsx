import type { PieceBrief } from "@contract/pieces";
import { GLUE_WORDS, GLUES, type Glue } from "@core/journey/events";
import { formatMinutes } from "@core/units/duration";
import { clockNear } from "@formats/time";
import { Caution, Empty, Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/dry";
import { useNow } from "../../lib/clock";
import { useHouse } from "../../lib/house";
import { usePrefs } from "../../lib/prefs";
import { framed } from "../../ui/frame/framed";
import { MoreOf } from "../../ui/more-of";
import { OwnCautions } from "../../ui/own-cautions";
import { PieceTag } from "../../ui/piece-tag";

/** What dries until when: a clock a piece, full when wet, empty when it may be loaded. */
export default framed("dry", "dry", help, ({ view }) => (
	<div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_300px]">
		<section className="scroll-y px-6 py-4">
			<h1 className="mb-2">Drying</h1>
			{view.pieces.length === 0 && (
				<Empty title="Nothing is wet">
					Pieces come here from the bench and leave by themselves for their tray when the glue has set.
				</Empty>
			)}
			<ul className="ruled">
				{view.pieces.map((piece) => (
					<DryRow key={piece.id} piece={piece} />
				))}
			</ul>
			<MoreOf shown={view.pieces.length} all={view.all} />
		</section>
		<section className="flex flex-col gap-3 border-l border-line px-5 py-5">
			<h2>Drying times</h2>
			<DryingTimes />
			<Caution>Lacquer is flammable: never near a warm kiln, and only with the window open.</Caution>
			<OwnCautions station="dry" />
		</section>
	</div>
));

/** By what holds it, as the studio waits. */
function DryingTimes() {
	const { dryMin } = useHouse().customs;
	return (
		<>
			<dl className="ruled">
				{GLUES.filter((glue) => glue !== "none").map((glue) => (
					<div key={glue} className="flex justify-between gap-3 py-1">
						<dt>{GLUE_WORDS[glue]}</dt>
						<dd className="figure font-semibold whitespace-nowrap">{formatMinutes(dryMin[glue])}</dd>
					</div>
				))}
			</dl>
			<p className="text-soft">
				Damp rooms take longer. Changed in the{" "}
				<a className="underline" href="/settings">
					settings
				</a>
				.
			</p>
		</>
	);
}

function DryRow({ piece }: { piece: PieceBrief }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow();
	const form = useActForm("reglue", {
		start: { glue: "whiteGlue" as Glue },
		schema: async () => (await import("@contract/pieces")).actions.reglue,
		sent: ({ glue }, id) => ({ pieceId: piece.id, eventId: id(), seq: piece.seq, glue }),
	});
	const until = Date.parse(piece.readyFrom ?? "");
	const leftMin = (until - nowMs) / 60_000;
	const wholeMin = Math.max(1, (until - Date.parse(piece.since)) / 60_000);
	return (
		<li className="grid grid-cols-[52px_minmax(0,1fr)_9rem_auto] items-center gap-4">
			<Clock share={Math.min(1, Math.max(0, leftMin / wholeMin))} />
			<PieceTag piece={piece} />
			<p className="text-right">
				<b className="figure block text-xl">{leftMin > 0 ? formatMinutes(leftMin) : "dry"}</b>
				<span className="figure text-soft">until {clockNear(piece.readyFrom ?? "", new Date(nowMs), timeZone)}</span>
			</p>
			<form className="join" noValidate onSubmit={form.submit}>
				<select
					className="select join-item h-11 w-60"
					aria-label={`Glue for ${piece.code}`}
					value={form.values.glue}
					onChange={(event) => form.set("glue", event.target.value as Glue)}
				>
					{GLUES.map((value) => (
						<option key={value} value={value}>
							{GLUE_WORDS[value]}
						</option>
					))}
				</select>
				<button type="submit" className="btn join-item" disabled={form.pending}>
					Glued again
				</button>
			</form>
			<div className="col-span-4">
				<Problems problems={form.others()} />
			</div>
		</li>
	);
}

function Clock({ share }: { share: number }) {
	const angle = share * 2 * Math.PI;
	const [x, y] = [24 + 19 * Math.sin(angle), 24 - 19 * Math.cos(angle)];
	return (
		<svg width="48" height="48" viewBox="0 0 48 48" aria-hidden="true">
			<circle cx="24" cy="24" r="19" className="fill-base-100 stroke-base-content/40" strokeWidth="1.5" />
			{share > 0.995 ? (
				<circle cx="24" cy="24" r="19" className="fill-secondary/60" />
			) : (
				<path d={`M24 24V5A19 19 0 ${share > 0.5 ? 1 : 0} 1 ${x} ${y}Z`} className="fill-secondary/60" />
			)}
			<path d="M24 2v4M24 42v4M2 24h4M42 24h4" className="stroke-base-content/50" strokeWidth="1.5" />
		</svg>
	);
}
