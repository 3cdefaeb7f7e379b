import type { CourseView } from "@contract/courses";
import { addDays } from "@core/calendar/days";
import { counted } from "@core/units/counted";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";

/** The rest of a course comes later or sooner: what that does to its evenings and to promises is said first. */
export function MoveCourse({ view, words }: { view: CourseView; words(day: string): string }) {
	const coming = view.sessions.filter(({ day, cancelled }) => day >= view.today && !cancelled);
	const [fromId, setFromId] = useState(coming[0]?.id ?? "");
	const [days, setDays] = useState<number | null>(7);
	const move = useAct("moveSessions");
	const moved = coming.slice(
		Math.max(
			0,
			coming.findIndex(({ id }) => id === fromId),
		),
	);
	const pieces = moved.reduce((sum, one) => sum + one.pieces, 0);
	const by = Number.isFinite(days) ? Math.round(days ?? 0) : 0;
	if (coming.length === 0) return <p className="text-soft">All of its evenings are over or called off.</p>;
	return (
		<div className="flex flex-col gap-3">
			<h2>Move what is to come</h2>
			<label className="flex flex-col gap-1 font-semibold">
				From
				<select className="select h-11 w-full" value={fromId} onChange={(event) => setFromId(event.target.value)}>
					{coming.map(({ id, day, startsAt }) => (
						<option key={id} value={id}>
							{words(day)}, {startsAt}
						</option>
					))}
				</select>
			</label>
			<NumberField
				kind="count"
				label="By so many days"
				value={days}
				onChange={setDays}
				hint="7 is a week later, −7 a week sooner."
			/>
			<ol className="ruled" aria-label="What becomes of it">
				{moved.map(({ id, day, promisedDay }) => (
					<li key={id} className="figure flex justify-between gap-2 py-1.5">
						<span>
							{words(day)} → <b>{words(addDays(day, by))}</b>
						</span>
						{promisedDay && <span className="text-soft">promised {words(addDays(promisedDay, by))}</span>}
					</li>
				))}
			</ol>
			<p className={pieces > 0 ? "font-semibold text-warning" : "text-soft"}>
				{pieces > 0
					? `${counted(pieces, "piece was", "pieces were")} promised in them: their day moves too. Tell their owners.`
					: "No piece was promised in them yet."}
			</p>
			<Trouble error={move.error} />
			<button
				type="button"
				className="btn btn-primary"
				disabled={move.isPending || by === 0}
				onClick={() => move.mutate({ sessions: moved.map(({ id, revision }) => ({ id, revision })), days: by })}
			>
				Move {counted(moved.length, "evening")}
			</button>
			{move.data && (
				<p role="status">Moved. {counted(move.data.promises, "promise moves", "promises move")} with it.</p>
			)}
		</div>
	);
}
