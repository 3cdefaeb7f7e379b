import type { StudentsView } from "@contract/courses";
import { shortDay } from "@formats/time";
import { Search } from "lucide-react";
import { useState } from "react";
import { Empty } from "../../forms/notice";
import { help } from "../../help/students";
import { framed, type StationProps } from "../../ui/frame/framed";
import { ClassesNav } from "./classes-nav";
import { StudentImport } from "./student-import";
import { StudentPanel } from "./student-panel";

export default framed("students", null, help, Students);

type Row = StudentsView["students"][number];

/** Everybody who ever came, and what they made. */
function Students({ view, frame, params }: StationProps<"students">) {
	const [text, setText] = useState("");
	const [open, setOpen] = useState(params.student ?? "");
	const mayEdit = frame.person.role === "instructor";
	const words = text.trim().toLowerCase();
	const shown = view.students.filter(
		({ name, email, note }) => words === "" || `${name} ${email ?? ""} ${note}`.toLowerCase().includes(words),
	);
	const choose = (id: string) => {
		setOpen(id);
		history.replaceState(null, "", id === "new" || id === "" ? location.pathname : `?student=${id}`);
	};
	return (
		<div className="flex h-full min-h-0 flex-col">
			<ClassesNav here="/students">
				<button type="button" className="btn btn-primary btn-sm max-lg:h-11" onClick={() => choose("new")}>
					Add a student
				</button>
			</ClassesNav>
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_400px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="List" className="scroll-y px-6 py-4">
					<div className="mb-3 flex items-center justify-between gap-4">
						<h1>
							Students <span className="figure font-normal text-soft">{view.students.length}</span>
						</h1>
						<label className="input input-sm flex h-9 w-64 items-center gap-2 max-lg:h-11">
							<Search size={16} aria-hidden="true" className="text-soft" />
							<input
								type="search"
								aria-label="Find a student"
								placeholder="name, e-mail, note"
								value={text}
								onChange={(event) => setText(event.target.value)}
							/>
						</label>
					</div>
					{view.students.length === 0 && (
						<Empty title="Nobody yet">Type a first name on the right, or take a whole list as CSV.</Empty>
					)}
					<ul className="ruled">
						{shown.map((one) => (
							<li key={one.id}>
								<StudentRow student={one} chosen={one.id === open} onChoose={() => choose(one.id)} />
							</li>
						))}
					</ul>
				</section>
				<section aria-label="Chosen" className="scroll-y border-l border-line bg-base-100 px-5 py-4">
					{open ? (
						<StudentPanel key={open} id={open} mayEdit={mayEdit} onKept={choose} />
					) : (
						<div className="flex flex-col gap-4">
							<p className="text-soft">Choose a student to see what they made over the years.</p>
							{mayEdit && <StudentImport known={view.students} sessionIds={[]} places={undefined} />}
						</div>
					)}
				</section>
			</div>
		</div>
	);
}

function StudentRow({ student, chosen, onChoose }: { student: Row; chosen: boolean; onChoose(): void }) {
	const { name, email, note, adult, classes, last, pieces, open } = student;
	return (
		<button
			type="button"
			aria-pressed={chosen}
			className={`grid min-h-14 w-full cursor-pointer grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_6rem_7rem] items-center gap-4 px-2 py-1 text-left ${chosen ? "bg-pick" : "hover:bg-base-100"}`}
			onClick={onChoose}
		>
			<span className="min-w-0">
				<b className="block truncate text-[15px]">{name}</b>
				<span className="block truncate text-soft">{[email, adult && `with ${adult}`].filter(Boolean).join(", ")}</span>
			</span>
			<span className="truncate text-soft">{note}</span>
			<span className="figure text-right">
				<b>{classes}</b> <span className="text-soft">{classes === 1 ? "class" : "classes"}</span>
				<span className="block text-[12.5px] text-soft">{last ? shortDay(`${last}T12:00:00Z`, "UTC") : ""}</span>
			</span>
			<span className="figure text-right">
				<b>{pieces}</b> <span className="text-soft">{pieces === 1 ? "piece" : "pieces"}</span>
				{open > 0 && <span className="block text-[12.5px] text-soft">{open} still here</span>}
			</span>
		</button>
	);
}
