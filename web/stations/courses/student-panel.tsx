import type { StudentForm, StudentView } from "@contract/courses";
import { type JourneyState, STATE_WORDS } from "@core/journey/journey";
import { shortDay } from "@formats/time";
import { useState } from "react";
import { Check } from "../../forms/check";
import { TextField } from "../../forms/fields";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useAct, useView } from "../../lib/api";
import { saveFile } from "../../lib/save-file";
import { TwoPresses } from "../../ui/two-presses";

const NEW: StudentView = {
	student: { id: "", name: "", email: null, phone: "", note: "", adult: "" },
	revision: 0,
	classes: [],
	pieces: [],
};

/** One student: how they are reached, what they were in, what they made. @param id "new" for somebody new */
export function StudentPanel({ id, mayEdit, onKept }: { id: string; mayEdit: boolean; onKept(id: string): void }) {
	const [newId] = useState(() => crypto.randomUUID());
	const { data, error } = useView("student", { id }, undefined, id !== "new");
	if (id === "new") return <Fields view={{ ...NEW, student: { ...NEW.student, id: newId } }} onKept={onKept} />;
	if (error) return <p className="text-soft">There is no such student in this studio.</p>;
	if (!data) return <p className="text-soft">…</p>;
	return (
		<div className="flex flex-col gap-5">
			<Fields view={data} onKept={onKept} />
			<Pieces view={data} />
			<Classes view={data} />
			<TheirData view={data} mayEdit={mayEdit} onGone={() => onKept("")} />
		</div>
	);
}

/** All that is known of them as a file; and that they are forgotten. */
function TheirData({ view, mayEdit, onGone }: { view: StudentView; mayEdit: boolean; onGone(): void }) {
	const erase = useAct("eraseStudent", onGone);
	const { student, classes, pieces } = view;
	const save = () =>
		saveFile(JSON.stringify({ student, classes, pieces }, null, "\t"), "student.json", "application/json");
	return (
		<section aria-label="Their data" className="flex flex-col gap-2 border-t border-line pt-3">
			<div>
				<button type="button" className="btn btn-sm max-lg:h-11" onClick={save}>
					Their data as JSON
				</button>
			</div>
			{mayEdit && (
				<TwoPresses
					label="Erase …"
					warning={
						<>
							Forget <b>{student.name}</b> for good? Name, address, notes, places and photos go, and the name goes out
							of what was written about their pieces. The {pieces.length}{" "}
							{pieces.length === 1 ? "piece stays" : "pieces stay"} as figures, nobody’s.
						</>
					}
					sure="Forget them"
					keep="Keep them"
					pending={erase.isPending}
					onSure={() => erase.mutate({ studentId: student.id })}
				/>
			)}
			<Trouble error={erase.error} />
		</section>
	);
}

function Fields({ view, onKept }: { view: StudentView; onKept(id: string): void }) {
	const { student, revision } = view;
	const form = useActForm("saveStudent", {
		start: { student: { ...student, email: student.email ?? "" }, revision },
		schema: async () => (await import("@contract/courses")).actions.saveStudent,
		sent: ({ student: typed, revision: on }) => ({
			student: { ...typed, email: typed.email.trim() === "" ? null : typed.email } satisfies StudentForm,
			revision: on,
		}),
		done: ({ studentId }) => revision === 0 && onKept(studentId),
	});
	const [young, setYoung] = useState(student.adult !== "");
	return (
		<form aria-label="Student" noValidate className="flex flex-col gap-3" onSubmit={form.submit}>
			<h2 className="text-xl">{student.name || "Somebody new"}</h2>
			<TextField label="Name" {...form.field("student.name")} />
			<div className="grid grid-cols-2 gap-3">
				<TextField label="E-mail" type="email" {...form.field("student.email")} />
				<TextField label="Telephone" {...form.field("student.phone")} />
			</div>
			<TextField label="Note" multiline {...form.field("student.note")} hint="For example: needs help with cutting." />
			<Check
				label="under sixteen"
				checked={young}
				onChange={(on) => {
					setYoung(on);
					if (!on) form.set("student.adult", "");
				}}
			/>
			{young && <TextField label="The adult who answers for them" {...form.field("student.adult")} />}
			<Problems problems={form.others()} />
			<button type="submit" className="btn btn-primary" disabled={form.pending}>
				{form.isKept ? "Saved" : revision === 0 ? "Write them down" : "Save"}
			</button>
		</form>
	);
}

function Pieces({ view }: { view: StudentView }) {
	return (
		<section aria-label="Pieces">
			<h2 className="mb-1">
				Made <span className="figure font-normal text-soft">{view.pieces.length}</span>
			</h2>
			{view.pieces.length === 0 && <p className="text-soft">Nothing yet.</p>}
			<ul className="ruled">
				{view.pieces.map(({ code, kit, state, issuedOn, photoId }) => (
					<li key={code}>
						<a href={`/piece/${code}`} className="flex min-h-12 items-center gap-3 py-1 hover:bg-base-200">
							{photoId ? (
								<img src={`/api/photos/${photoId}?size=small`} alt="" className="size-11 rounded object-cover" />
							) : (
								<span className="size-11 rounded bg-bench" />
							)}
							<span className="min-w-0 grow">
								<b className="figure">{code}</b> <span className="truncate">{kit}</span>
								<span className="block text-soft">{STATE_WORDS[state as JourneyState] ?? state}</span>
							</span>
							<span className="figure text-soft">{shortDay(`${issuedOn}T12:00:00Z`, "UTC")}</span>
						</a>
					</li>
				))}
			</ul>
		</section>
	);
}

function Classes({ view }: { view: StudentView }) {
	return (
		<section aria-label="Classes">
			<h2 className="mb-1">
				Classes <span className="figure font-normal text-soft">{view.classes.length}</span>
			</h2>
			{view.classes.length === 0 && <p className="text-soft">In none yet.</p>}
			<ul className="ruled">
				{view.classes.map(({ sessionId, courseId, title, day, attended, waiting }) => (
					<li key={sessionId}>
						<a
							href={`/classes/${courseId}`}
							className="flex min-h-11 items-center justify-between gap-3 hover:bg-base-200"
						>
							<span className="font-semibold">{title}</span>
							<span className="figure text-right text-soft">
								{shortDay(`${day}T12:00:00Z`, "UTC")}
								{waiting ? ", waits" : attended === null ? "" : attended ? ", came" : ", did not come"}
							</span>
						</a>
					</li>
				))}
			</ul>
		</section>
	);
}
