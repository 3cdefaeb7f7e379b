import type { LoadView } from "@contract/loads";
import type { PieceBrief } from "@contract/pieces";
import { clockNear } from "@formats/time";
import type { ReactNode } from "react";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";

/** Pieces that no load takes yet, each with the reason and the one thing that frees it. */
export function CannotFire({ view }: { view: Pick<LoadView, "wet" | "untested" | "onMould" | "unjudged"> }) {
	const { wet, untested, onMould, unjudged } = view;
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	if (wet.length + untested.length + onMould.length + unjudged === 0) return null;
	return (
		<section aria-label="Cannot be fired yet" className="mt-4 px-5">
			<h2 className="mb-1">Cannot be fired yet</h2>
			<ul className="ruled">
				{onMould.map((one) => (
					<OnMould key={`${one.mouldId} ${one.trouble}`} {...one} />
				))}
				{wet.map((piece) => (
					<Stuck key={piece.id} piece={piece} act={{ href: "/dry", label: "See it dry" }}>
						<span className="figure">wet until {clockNear(piece.readyFrom ?? "", new Date(nowMs), timeZone)}</span>
					</Stuck>
				))}
				{untested.map((piece) => (
					<Stuck key={piece.id} piece={piece} act={{ href: "/books?tab=families", label: "Test the glass" }}>
						<b className="text-error">untested glass</b>
					</Stuck>
				))}
				{unjudged > 0 && (
					<li className="flex items-center justify-between gap-2 py-2">
						<span>
							<b className="figure">{unjudged}</b> {unjudged === 1 ? "piece" : "pieces"} out of the kiln, not judged:
							some may go in again
						</span>
						<a className="btn btn-sm max-lg:h-11" href="/open">
							Judge
						</a>
					</li>
				)}
			</ul>
		</section>
	);
}

const Stuck = (props: { piece: PieceBrief; act: { href: string; label: string }; children: ReactNode }) => (
	<li className="flex items-center justify-between gap-2 py-2">
		<span className="min-w-0">
			<a className="block truncate hover:underline" href={`/piece/${props.piece.code}`}>
				<b className="figure">{props.piece.code}</b> {props.piece.student}
			</a>
			<span className="text-soft">{props.children}</span>
		</span>
		<a className="btn btn-sm max-lg:h-11" href={props.act.href}>
			{props.act.label}
		</a>
	</li>
);

const TROUBLE_WORDS: Record<LoadView["onMould"][number]["trouble"], string> = {
	bare: "stands bare",
	putAway: "is put away",
	tooSmall: "is too small: they would hang over its rim",
};

/** Moulds that have had as many firings as their release lasts: told, not forbidden. */
export function WornMoulds({ worn }: Pick<LoadView, "worn">) {
	const wash = useAct("washMould");
	if (worn.length === 0) return null;
	return (
		<section aria-label="Renew first" className="mt-4 px-5">
			<h2 className="mb-1">Renew first</h2>
			<ul className="ruled">
				{worn.map(({ mouldId, name, release, usesSince }) => (
					<li key={mouldId} className="flex items-center justify-between gap-2 py-2">
						<span className="min-w-0">
							<b>{name}</b>{" "}
							<span className="text-soft">
								{release}, <span className="figure">{usesSince}</span> {usesSince === 1 ? "firing" : "firings"} ago
							</span>
						</span>
						<button
							type="button"
							className="btn btn-sm max-lg:h-11"
							disabled={wash.isPending}
							onClick={() => wash.mutate({ mouldId })}
						>
							{release === "papered" ? "Fresh paper" : "It is washed"}
						</button>
					</li>
				))}
			</ul>
			<Trouble error={wash.error} />
		</section>
	);
}

/** Pieces whose mould is bare: one press once it is washed. One that was put away is brought back from the book. */
function OnMould({ mouldId, name, trouble, pieces }: LoadView["onMould"][number]) {
	const wash = useAct("washMould");
	return (
		<li className="py-2">
			<div className="flex items-center justify-between gap-2">
				<span className="min-w-0">
					<b>{name}</b> <span className="font-semibold text-warning">{TROUBLE_WORDS[trouble]}</span>
				</span>
				{trouble === "bare" ? (
					<button
						type="button"
						className="btn btn-sm max-lg:h-11"
						disabled={wash.isPending}
						onClick={() => wash.mutate({ mouldId })}
					>
						It is washed
					</button>
				) : trouble === "tooSmall" ? (
					<a className="btn btn-sm max-lg:h-11" href={`/piece/${pieces[0]?.code}`}>
						Another mould
					</a>
				) : (
					<a className="btn btn-sm max-lg:h-11" href="/books?tab=moulds">
						Bring it back
					</a>
				)}
			</div>
			<p className="text-soft">
				{pieces.length === 1 ? "one waits" : `${pieces.length} wait`} for it:{" "}
				{pieces.slice(0, 4).map(({ id, code }, i) => (
					<span key={id}>
						{i > 0 && ", "}
						<a className="figure underline" href={`/piece/${code}`}>
							{code}
						</a>
					</span>
				))}
				{pieces.length > 4 && ` and ${pieces.length - 4} more`}
			</p>
			<Trouble error={wash.error} />
		</li>
	);
}
