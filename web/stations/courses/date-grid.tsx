import type { CalendarSession } from "@contract/courses";
import type { Day } from "@core/calendar/days";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

interface Props {
	weeks: readonly (readonly Day[])[];
	/** Days of another month are quiet; undefined: none is. */
	month: string | undefined;
	today: Day;
	sessions: readonly CalendarSession[];
	chosen: string | undefined;
	onChoose(session: CalendarSession): void;
	onDay: ((day: Day) => void) | undefined;
}

/** Weeks from Monday on, each day with its classes: how full each is stands as a bar at its foot. */
export function DateGrid({ weeks, month, today, sessions, chosen, onChoose, onDay }: Props) {
	return (
		<div className="flex min-h-0 grow flex-col">
			<div className="grid grid-cols-7" aria-hidden="true">
				{WEEKDAYS.map((day) => (
					<span key={day} className="px-2 pb-1 text-soft">
						{day}
					</span>
				))}
			</div>
			<div className="grid min-h-0 grow auto-rows-fr grid-cols-7 gap-px bg-line">
				{weeks.flat().map((day) => {
					const its = sessions.filter((one) => one.day === day);
					const quiet = month !== undefined && !day.startsWith(month);
					return (
						<div
							key={day}
							className={`flex min-h-20 min-w-0 flex-col gap-1 overflow-y-auto p-1 ${quiet ? "bg-base-200/60" : "bg-base-100"} ${day === today ? "outline-2 -outline-offset-2 outline-accent" : ""}`}
						>
							{onDay ? (
								<button
									type="button"
									className={`figure min-h-6 cursor-pointer self-start rounded px-1.5 font-semibold hover:bg-pick ${quiet ? "text-soft" : ""} ${day === today ? "text-accent" : ""}`}
									aria-label={`New course on ${day}`}
									onClick={() => onDay(day)}
								>
									{Number(day.slice(8))}
								</button>
							) : (
								<span className="figure px-1.5 font-semibold">{Number(day.slice(8))}</span>
							)}
							{its.map((one) => (
								<SessionChip key={one.id} session={one} chosen={one.id === chosen} onChoose={() => onChoose(one)} />
							))}
						</div>
					);
				})}
			</div>
		</div>
	);
}

function SessionChip({ session, chosen, onChoose }: { session: CalendarSession; chosen: boolean; onChoose(): void }) {
	const { title, startsAt, students, places, waiting, cancelled } = session;
	const full = students >= places;
	return (
		<button
			type="button"
			aria-pressed={chosen}
			aria-label={`${title}, ${session.day} ${startsAt}, ${students} of ${places} places taken${waiting ? `, ${waiting} wait` : ""}${cancelled ? ", called off" : ""}`}
			className={`w-full cursor-pointer overflow-hidden rounded-sm border-l-4 border-secondary px-1.5 pt-0.5 text-left ${chosen ? "bg-pick outline-2 outline-secondary" : "bg-base-200 hover:bg-pick"} ${cancelled ? "opacity-60" : ""}`}
			onClick={onChoose}
		>
			<span className={`block truncate font-semibold ${cancelled ? "line-through" : ""}`}>{title}</span>
			<span className="figure flex justify-between gap-1 text-[12.5px] text-soft">
				<span>{startsAt}</span>
				<span className={full ? "font-semibold text-base-content" : ""}>
					{cancelled ? "called off" : `${students}/${places}${waiting ? ` +${waiting}` : ""}`}
				</span>
			</span>
			<svg viewBox="0 0 100 4" preserveAspectRatio="none" className="mt-0.5 block h-1 w-full" aria-hidden="true">
				<rect width="100" height="4" className="fill-line" />
				<rect width={Math.min(100, (100 * students) / places)} height="4" className="fill-secondary" />
			</svg>
		</button>
	);
}
