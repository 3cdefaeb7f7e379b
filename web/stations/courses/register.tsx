import type { Attendee, CalendarSession } from "@contract/courses";
import { counted } from "@core/units/counted";
import { Empty, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";

interface Props {
	title: string;
	sessions: readonly CalendarSession[];
	attendees: readonly Attendee[];
	today: string;
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** Students down, evenings across: a seat, pressed through came, did not come, not looked at. */
export function Register({ title, sessions, attendees, today }: Props) {
	const mark = useAct("markAttendance");
	const enrol = useAct("enrol");
	const leave = useAct("leave");
	if (attendees.length === 0)
		return (
			<Empty title="Nobody is in it yet">Add students on the right: by name, or all at once from a list as CSV.</Empty>
		);
	const placed = attendees.filter(({ evenings }) => Object.values(evenings).some((one) => one !== "waiting"));
	const waiting = attendees.filter((one) => !placed.includes(one));
	const coming = sessions.filter(({ day, cancelled }) => day >= today && !cancelled);
	const cell = ({ studentId, name, evenings }: Attendee, { id, day }: CalendarSession) => {
		const its = evenings[id];
		if (!its) return <span className="text-soft">–</span>;
		if (its === "waiting") return <span className="text-[12.5px] text-warning">waits</span>;
		const state = its.attended === null ? "not looked at" : its.attended ? "came" : "did not come";
		return (
			<button
				type="button"
				className={`figure btn btn-sm w-11 px-0 max-lg:h-11 ${its.attended ? "btn-primary" : its.attended === false ? "text-soft line-through" : ""}`}
				aria-label={`${name}, ${day}, seat ${its.seat}: ${state}. Press to change.`}
				title={state}
				onClick={() =>
					mark.mutate({
						sessionId: id,
						studentId,
						attended: its.attended === null ? true : its.attended ? false : null,
					})
				}
			>
				{its.attended ? `${its.seat} ✓` : its.seat}
			</button>
		);
	};
	return (
		<>
			<div className="overflow-x-auto">
				<table className="border-collapse">
					<thead>
						<tr className="text-left text-soft">
							<th scope="col" className="min-w-52 py-1 pr-4 font-semibold">
								{counted(placed.length, "student")}
							</th>
							{sessions.map(({ id, day, cancelled }) => (
								<th
									key={id}
									scope="col"
									className={`figure px-1 text-center font-semibold whitespace-nowrap ${cancelled ? "line-through" : ""} ${day === today ? "text-accent" : ""}`}
								>
									{DAY.format(new Date(`${day}T12:00:00Z`))}
								</th>
							))}
							<th scope="col">
								<span className="sr-only">Leave</span>
							</th>
						</tr>
					</thead>
					<tbody>
						{placed.map((one) => (
							<tr key={one.studentId} className="border-t border-line">
								<th scope="row" className="py-1.5 pr-4 text-left font-semibold">
									<a className="underline-offset-2 hover:underline" href={`/students?student=${one.studentId}`}>
										{one.name}
									</a>
									{one.chose.length > 0 && (
										<span className="block text-[12.5px] font-normal">makes {one.chose.join(", ")}</span>
									)}
									{one.note && <span className="block text-[12.5px] font-normal text-soft">{one.note}</span>}
								</th>
								{sessions.map((session) => (
									<td key={session.id} className="px-1 text-center">
										{cell(one, session)}
									</td>
								))}
								<td className="pl-3">
									<button
										type="button"
										className="btn btn-ghost btn-sm font-normal text-soft max-lg:h-11"
										aria-label={`${one.name} leaves the course`}
										disabled={coming.length === 0 || leave.isPending}
										onClick={() => leave.mutate({ sessionIds: coming.map(({ id }) => id), studentId: one.studentId })}
									>
										leaves
									</button>
								</td>
							</tr>
						))}
					</tbody>
				</table>
			</div>
			{waiting.length > 0 && (
				<section aria-label="Waiting list" className="mt-5 max-w-xl">
					<h2 className="mb-1">Waiting list</h2>
					<ol className="ruled">
						{waiting.map(({ studentId, name, evenings }, i) => (
							<li key={studentId} className="flex items-center gap-3 py-1.5">
								<b className="figure w-6">{i + 1}</b>
								<span className="grow font-semibold">{name}</span>
								<button
									type="button"
									className="btn btn-sm max-lg:h-11"
									disabled={enrol.isPending}
									onClick={() => enrol.mutate({ sessionIds: Object.keys(evenings), studentIds: [studentId] })}
								>
									Give a place
								</button>
								<button
									type="button"
									className="btn btn-ghost btn-sm max-lg:h-11"
									onClick={() => leave.mutate({ sessionIds: Object.keys(evenings), studentId })}
								>
									Off the list
								</button>
							</li>
						))}
					</ol>
				</section>
			)}
			{enrol.data && enrol.data.enrolled === 0 && (
				<p role="status" className="mt-2 font-semibold">
					No place is free yet: somebody has to leave, or the course gets more places.
				</p>
			)}
			<Trouble error={mark.error ?? leave.error ?? enrol.error} />
			<WriteToAll attendees={placed} title={title} />
			<p className="mt-3 text-soft">
				Seat of each evening: press once for came, twice for did not come. {coming.length} of {sessions.length} evenings
				are to come.
			</p>
		</>
	);
}

/** A letter to everybody who has a place, in the person's own mail program; nobody sees the others' addresses. */
function WriteToAll({ attendees, title }: { attendees: readonly Attendee[]; title: string }) {
	const addresses = attendees.flatMap(({ email }) => email ?? []);
	const without = attendees.length - addresses.length;
	if (addresses.length === 0) return null;
	const letter = `mailto:?bcc=${addresses.map(encodeURIComponent).join(",")}&subject=${encodeURIComponent(title)}`;
	return (
		<p className="mt-4">
			<a className="btn btn-sm max-lg:h-11" href={letter}>
				Write to {addresses.length} by e-mail
			</a>{" "}
			{without > 0 && <span className="text-soft">{counted(without, "has", "have")} no address in the book.</span>}
		</p>
	);
}
