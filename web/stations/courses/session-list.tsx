import type { CalendarSession } from "@contract/courses";
import type { Day } from "@core/calendar/days";
import { dayWords } from "@formats/time";
import { Empty } from "../../forms/notice";

interface Props {
	sessions: readonly CalendarSession[];
	today: Day;
	chosen: string | undefined;
	onChoose(session: CalendarSession): void;
}

/** Classes one under another, from today on. */
export function SessionList({ sessions, today, chosen, onChoose }: Props) {
	const coming = sessions.filter(({ day }) => day >= today);
	if (coming.length === 0)
		return (
			<Empty title="Nothing on the calendar">
				A first class could be two hours on a Thursday evening, eight places.
			</Empty>
		);
	return (
		<ul className="scroll-y ruled min-h-0 grow">
			{coming.map((one) => (
				<li key={one.id}>
					<button
						type="button"
						aria-pressed={one.id === chosen}
						className={`grid min-h-14 w-full cursor-pointer grid-cols-[9rem_8rem_1fr_8rem_10rem] items-center gap-4 px-2 text-left ${one.id === chosen ? "bg-pick" : "hover:bg-base-100"}`}
						onClick={() => onChoose(one)}
					>
						<b className="figure">{dayWords(one.day, new Date(`${today}T12:00:00Z`), "UTC")}</b>
						<span className="figure">
							{one.startsAt} – {one.endsAt}
						</span>
						<span className={`text-lg font-semibold ${one.cancelled ? "line-through" : ""}`}>{one.title}</span>
						<span className="text-soft">{one.room}</span>
						<span className="figure text-right">
							{one.cancelled ? (
								"called off"
							) : (
								<>
									<b>{one.students}</b> of {one.places}
									{one.waiting > 0 && `, ${one.waiting} wait`}
								</>
							)}
						</span>
					</button>
				</li>
			))}
		</ul>
	);
}
