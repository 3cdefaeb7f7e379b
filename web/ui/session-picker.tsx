import type { SessionBrief } from "@contract/classes";
import { dayWords } from "@formats/time";
import { Empty } from "../forms/notice";
import { useNow } from "../lib/clock";
import { usePrefs } from "../lib/prefs";

/** A station of a class where there is none. */
export function NoClass({ title }: { title: string }) {
	return (
		<div className="flex flex-col items-center">
			<Empty title={title}>Classes from two weeks back to eight weeks on appear here.</Empty>
			<a className="btn btn-primary -mt-6" href="/classes?new=1">
				Put a class on the calendar
			</a>
		</div>
	);
}

/** Which class this is about; changing it opens the same station for another one. */
export function SessionPicker({
	sessions,
	session,
	path,
}: {
	sessions: readonly SessionBrief[];
	session: SessionBrief;
	path: string;
}) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const words = (one: SessionBrief) =>
		`${one.isToday ? "Today" : dayWords(one.day, new Date(nowMs), timeZone)} ${one.startsAt} · ${one.title}`;
	return (
		<label className="flex items-center gap-2">
			<span className="sr-only">Class</span>
			<select
				className="select h-11 min-w-72 text-base font-semibold"
				value={session.id}
				onChange={(event) => location.assign(`${path}?session=${event.target.value}`)}
			>
				{sessions.map((one) => (
					<option key={one.id} value={one.id}>
						{words(one)}
					</option>
				))}
			</select>
		</label>
	);
}
