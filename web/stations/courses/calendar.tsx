import type { CalendarSession } from "@contract/courses";
import { addDays, addMonths, type Day, firstOfMonth, later, mondayOf, monthWeeks } from "@core/calendar/days";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { help } from "../../help/calendar";
import { useView } from "../../lib/api";
import { framed, type StationProps } from "../../ui/frame/framed";
import { ClassesNav } from "./classes-nav";
import { CourseFields, newCourse } from "./course-fields";
import { DateGrid } from "./date-grid";
import { FeedLink } from "./feed-link";
import { SessionList } from "./session-list";
import { SessionPanel } from "./session-panel";

export default framed("calendar", null, help, Calendar);

const SHAPES = ["month", "week", "list"] as const;
type Shape = (typeof SHAPES)[number];

const MONTH = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });

/** Courses and their evenings: by month, by week, or one under another. */
function Calendar({ view: first, frame, params }: StationProps<"calendar">) {
	const [shape, setShape] = useState<Shape>(SHAPES.find((one) => one === params.as) ?? "month");
	const [at, setAt] = useState<Day>(params.at ?? first.today);
	const [open, setOpen] = useState<{ kind: "session"; id: string } | { kind: "new"; day: Day } | null>(
		params.new ? { kind: "new", day: params.at ?? first.today } : null,
	);
	const from = shape === "week" ? mondayOf(at) : addDays(firstOfMonth(at), -7);
	const to = shape === "week" ? addDays(from, 6) : addDays(from, shape === "list" ? 190 : 48);
	const { data: view = first } = useView("calendar", { from, to }, undefined);
	const mayEdit = frame.person.role === "instructor";
	const go = (day: Day) => {
		setAt(day);
		history.replaceState(null, "", `?at=${day}&as=${shape}`);
	};
	const step = (n: number) => go(shape === "week" ? addDays(at, 7 * n) : addMonths(at, n));
	const weeks = shape === "week" ? [Array.from({ length: 7 }, (_, i) => addDays(from, i))] : monthWeeks(at);
	const session = open?.kind === "session" ? view.sessions.find(({ id }) => id === open.id) : undefined;
	const choose = ({ id }: CalendarSession) => setOpen({ kind: "session", id });
	return (
		<div className="flex h-full min-h-0 flex-col">
			<ClassesNav here="/classes">
				{mayEdit && <FeedLink path={view.feedPath} />}
				{mayEdit && (
					<button
						type="button"
						className="btn btn-primary btn-sm max-lg:h-11"
						onClick={() => setOpen({ kind: "new", day: at })}
					>
						New course
					</button>
				)}
			</ClassesNav>
			<div
				className={`grid min-h-0 grow max-lg:block max-lg:overflow-y-auto ${open ? "grid-cols-[minmax(0,1fr)_380px]" : "grid-cols-1"}`}
			>
				<section aria-label="Calendar" className="flex min-h-0 flex-col px-6 py-3">
					<div className="mb-2 flex items-center gap-2">
						<h1 className="mr-2 min-w-56">{MONTH.format(new Date(`${at}T12:00:00Z`))}</h1>
						{shape !== "list" && (
							<>
								<button
									type="button"
									className="btn btn-ghost btn-sm btn-square max-lg:h-11 max-lg:w-11"
									aria-label="Earlier"
									onClick={() => step(-1)}
								>
									<ChevronLeft size={18} aria-hidden="true" />
								</button>
								<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={() => go(view.today)}>
									Today
								</button>
								<button
									type="button"
									className="btn btn-ghost btn-sm btn-square max-lg:h-11 max-lg:w-11"
									aria-label="Later"
									onClick={() => step(1)}
								>
									<ChevronRight size={18} aria-hidden="true" />
								</button>
							</>
						)}
						<div className="join ml-auto" role="group" aria-label="How it is shown">
							{SHAPES.map((one) => (
								<button
									key={one}
									type="button"
									className={`btn btn-sm join-item max-lg:h-11 ${shape === one ? "btn-secondary" : ""}`}
									aria-pressed={shape === one}
									onClick={() => setShape(one)}
								>
									{one}
								</button>
							))}
						</div>
					</div>
					{shape === "list" ? (
						<SessionList sessions={view.sessions} today={view.today} chosen={session?.id} onChoose={choose} />
					) : (
						<DateGrid
							weeks={weeks}
							month={shape === "month" ? at.slice(0, 7) : undefined}
							today={view.today}
							sessions={view.sessions}
							chosen={session?.id}
							onChoose={choose}
							onDay={mayEdit ? (day) => setOpen({ kind: "new", day }) : undefined}
						/>
					)}
				</section>
				{open && (
					<aside aria-label="Chosen" className="scroll-y border-l border-line bg-base-100 px-5 py-4">
						{open.kind === "new" ? (
							<>
								<h2 className="mb-3 text-xl">New course</h2>
								<CourseFields
									key={open.day}
									start={newCourse()}
									revision={0}
									kits={view.kits}
									currency={view.currency}
									firstDay={later(open.day, view.today)}
									onDone={(id) => location.assign(`/classes/${id}`)}
									onCancel={() => setOpen(null)}
								/>
							</>
						) : (
							session && (
								<SessionPanel
									key={`${session.id}${session.revision}`}
									session={session}
									mayEdit={mayEdit}
									onClose={() => setOpen(null)}
								/>
							)
						)}
					</aside>
				)}
			</div>
		</div>
	);
}
