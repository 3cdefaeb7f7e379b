import type { CalendarSession } from "@contract/courses";
import { daysBetween } from "@core/calendar/days";
import { counted } from "@core/units/counted";
import { TextField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct } from "../../lib/api";

interface Props {
	session: CalendarSession;
	mayEdit: boolean;
	onClose(): void;
}

/** One evening: who comes, when it is, what moving it does to promises. */
export function SessionPanel({ session, mayEdit, onClose }: Props) {
	const { id, courseId, title, day, startsAt, endsAt, promisedDay, students, places, waiting, cancelled, room } =
		session;
	const call = useAct("cancelSession");
	const form = useActForm("saveSession", {
		start: {
			session: { id, day, startsAt, endsAt, promisedDay: promisedDay ?? "" },
			revision: session.revision,
		},
		schema: async () => (await import("@contract/courses")).actions.saveSession,
		sent: ({ session: typed, revision }) => ({
			session: { ...typed, promisedDay: typed.promisedDay || null },
			revision,
		}),
	});
	const typed = form.values.session;
	const shift = promisedDay && typed.promisedDay ? daysBetween(promisedDay, typed.promisedDay) : 0;
	return (
		<div className="flex flex-col gap-4">
			<div className="flex items-start justify-between gap-3">
				<div>
					<h2 className={`text-xl ${cancelled ? "line-through" : ""}`}>{title}</h2>
					<p className="text-soft">
						{room || "no room said"}
						{cancelled && ", called off"}
					</p>
				</div>
				<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={onClose}>
					Close
				</button>
			</div>
			<p>
				<b className="figure text-3xl">{students}</b> of {places} places taken
				{waiting > 0 && `, ${waiting} on the waiting list`}
			</p>
			<div className="flex flex-wrap gap-2">
				<a className="btn btn-primary btn-sm max-lg:h-11" href={`/classes/${courseId}`}>
					Course and students
				</a>
				<a className="btn btn-sm max-lg:h-11" href={`/bench?session=${id}`}>
					Bench
				</a>
				<a className="btn btn-sm max-lg:h-11" href={`/cut?session=${id}`}>
					Cut
				</a>
			</div>
			{mayEdit && (
				<form
					aria-label="Evening"
					noValidate
					className="flex flex-col gap-3 border-t border-line pt-3"
					onSubmit={form.submit}
				>
					<TextField label="Day" type="date" {...form.field("session.day")} />
					<div className="grid grid-cols-2 gap-3">
						<TextField label="From" type="time" {...form.field("session.startsAt")} />
						<TextField label="To" type="time" {...form.field("session.endsAt")} />
					</div>
					<TextField
						label="Pieces promised for"
						type="date"
						{...form.field("session.promisedDay")}
						hint={
							session.pieces === 0
								? "Empty: nothing is promised."
								: shift === 0
									? `${session.pieces} pieces of it are still here.`
									: `What was promised of its ${session.pieces} pieces comes ${counted(Math.abs(shift), "day")} ${shift > 0 ? "later" : "sooner"}: tell their owners.`
						}
					/>
					<Problems problems={form.others()} />
					<button type="submit" className="btn" disabled={form.pending}>
						{form.isKept ? "Saved" : "Save this evening"}
					</button>
				</form>
			)}
			{mayEdit && (
				<div className="border-t border-line pt-3">
					<button
						type="button"
						className="btn btn-ghost btn-sm max-lg:h-11"
						disabled={call.isPending}
						onClick={() => call.mutate({ sessionId: id, cancelled: !cancelled })}
					>
						{cancelled ? "It takes place after all" : "Call this evening off"}
					</button>
					{!cancelled && students > 0 && (
						<p className="text-soft">
							{counted(students, "student keeps", "students keep")} their place: write to them from the course.
							{session.pieces > 0 && ` What was promised of its ${session.pieces} pieces stays promised.`}
						</p>
					)}
					<Trouble error={call.error} />
				</div>
			)}
		</div>
	);
}
