import type { CourseView } from "@contract/courses";
import { counted } from "@core/units/counted";
import { useState } from "react";
import { TextField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { StudentImport } from "./student-import";

/** Somebody new, somebody known, or a whole list: all get a place in the evenings that are to come. */
export function AddStudents({ view, mayEdit }: { view: CourseView; mayEdit: boolean }) {
	const coming = view.sessions.filter(({ day, cancelled }) => day >= view.today && !cancelled).map(({ id }) => id);
	const [text, setText] = useState("");
	const [told, setTold] = useState("");
	const enrol = useAct("enrol", ({ enrolled, waiting, already }) =>
		setTold(
			waiting > 0
				? `The class is full at ${view.course.places} places: on the waiting list.`
				: enrolled > 0
					? "Has a place."
					: already > 0
						? "Is in this class already."
						: "",
		),
	);
	const save = useAct("saveStudent");
	if (coming.length === 0) return <p className="text-soft">All of its evenings are over: there is nothing to join.</p>;
	const words = text.trim().toLowerCase();
	const there = new Set(view.attendees.map(({ studentId }) => studentId));
	const found = words === "" ? [] : view.students.filter(({ name }) => name.toLowerCase().includes(words)).slice(0, 8);
	const exact = view.students.some(({ name }) => name.toLowerCase() === words);
	const seat = (studentId: string) => enrol.mutate({ sessionIds: coming, studentIds: [studentId] });
	const add = async () => {
		const name = text.trim();
		const kept = await save
			.sendAsync((id) => ({ student: { id: id(), name, email: null, phone: "", note: "", adult: "" }, revision: 0 }))
			.catch(() => undefined);
		if (!kept) return;
		setText("");
		seat(kept.studentId);
	};
	return (
		<div className="flex flex-col gap-4">
			<form
				aria-label="Add a student"
				className="flex flex-col gap-2"
				onSubmit={(event) => {
					event.preventDefault();
					if (words !== "" && !exact) void add();
				}}
			>
				<TextField label="Name" value={text} onChange={setText} hint="Somebody known is found; anybody else is new." />
				<ul className="ruled">
					{found.map(({ id, name }) => (
						<li key={id} className="flex items-center justify-between gap-2 py-1">
							<span className="font-semibold">{name}</span>
							{there.has(id) ? (
								<span className="text-soft">in this class</span>
							) : (
								<button
									type="button"
									className="btn btn-sm max-lg:h-11"
									disabled={enrol.isPending}
									onClick={() => seat(id)}
								>
									Give a place
								</button>
							)}
						</li>
					))}
				</ul>
				{words !== "" && !exact && (
					<button type="submit" className="btn btn-primary" disabled={save.isPending || enrol.isPending}>
						Add {text.trim()}, who is new
					</button>
				)}
				{told && <p role="status">{told}</p>}
				<Trouble error={save.error ?? enrol.error} />
			</form>
			{mayEdit && <StudentImport known={view.students} sessionIds={coming} places={view.course.places} />}
			<p className="text-soft">
				Whoever joins late gets a place in the {counted(coming.length, "evening")} still to come.
			</p>
		</div>
	);
}
