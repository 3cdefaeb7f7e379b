import {
	guessMapping,
	STUDENT_COLUMNS,
	type StudentColumn,
	type StudentMapping,
	samePerson,
	studentsOf,
} from "@formats/student-list";
import type { TableFile } from "@formats/table-file";
import { useState } from "react";
import { FileField } from "../../forms/file-field";
import { Problems, Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";

const WORDS: Record<StudentColumn, string> = {
	name: "name",
	first: "first name",
	last: "last name",
	email: "e-mail",
	phone: "telephone",
	note: "note",
	adult: "adult who answers for them",
};
const SEPARATOR_WORDS: Record<string, string> = { ",": "commas", ";": "semicolons", "\t": "tabs", "|": "bars" };

interface Props {
	known: readonly { id: string; name: string; email?: string | null }[];
	/** Evenings they get a place in; none: they only come into the book. */
	sessionIds: readonly string[];
	places: number | undefined;
}

/** A list of students as CSV: read here, shown line by line, taken once it was looked at. */
export function StudentImport({ known, sessionIds, places }: Props) {
	const [table, setTable] = useState<TableFile | null>(null);
	const [mapping, setMapping] = useState<StudentMapping>({});
	const [problem, setProblem] = useState("");
	const take = useAct("takeStudents", () => setTable(null));
	const open = async (file: File) => {
		take.reset();
		// The reader is loaded once somebody chooses a file.
		const { readTable } = await import("@formats/table-file");
		const read = readTable(new Uint8Array(await file.arrayBuffer()));
		setProblem(read.ok ? "" : (read.problems[0]?.sentence ?? "This is no list."));
		setTable(read.ok ? read.value : null);
		if (read.ok) setMapping(guessMapping(read.value));
	};
	const list = table && studentsOf(table, mapping);
	const rows = list?.students.map((one) => ({
		...one,
		known: known.find((other) => samePerson(one, { name: other.name, email: other.email ?? null })),
	}));
	return (
		<section aria-label="From a list" className="flex flex-col gap-3 border-t border-line pt-3">
			<FileField
				label="From a list as CSV"
				accept=".csv,.txt,text/csv,text/plain"
				error={problem || undefined}
				onFile={(file) => void open(file)}
			/>
			{table && list && rows && (
				<>
					<p className="text-soft">
						{table.encoding}, separated by {SEPARATOR_WORDS[table.separator] ?? table.separator}. Which column says
						what:
					</p>
					<div className="grid grid-cols-2 gap-2">
						{table.columns.map((head, i) => (
							<label key={`${i} ${head}`} className="flex min-w-0 flex-col">
								<span className="truncate text-soft">{head || `column ${i + 1}`}</span>
								<select
									className="select select-sm h-9 w-full max-lg:h-11"
									value={STUDENT_COLUMNS.find((what) => mapping[what] === i) ?? ""}
									onChange={(event) => setMapping(remapped(mapping, i, event.target.value as StudentColumn | ""))}
								>
									<option value="">leave out</option>
									{STUDENT_COLUMNS.map((what) => (
										<option key={what} value={what}>
											{WORDS[what]}
										</option>
									))}
								</select>
							</label>
						))}
					</div>
					<Problems
						problems={list.broken.map(({ line, sentence }) => ({
							path: [line],
							sentence: `Line ${line}: ${sentence}`,
						}))}
					/>
					{list.twice.map(({ line, first }) => (
						<p key={line} className="text-soft">
							Line {line} is the person of line {first} again: taken once.
						</p>
					))}
					<ul className="ruled max-h-56 overflow-y-auto" aria-label="Who comes of it">
						{rows.map(({ line, name, email, known: before }) => (
							<li key={line} className="flex items-baseline justify-between gap-2 py-1">
								<span className="min-w-0">
									<b className="block truncate">{name}</b>
									{email && <span className="block truncate text-[12.5px] text-soft">{email}</span>}
								</span>
								<span className="text-soft">{before ? "known" : "new"}</span>
							</li>
						))}
					</ul>
					{places !== undefined && rows.length > places && (
						<p className="font-semibold text-warning">
							{rows.length} people, {places} places: {rows.length - places} go on the waiting list, the last of the
							list.
						</p>
					)}
					<Trouble error={take.error} />
					<button
						type="button"
						className="btn btn-primary"
						disabled={take.isPending || rows.length === 0}
						onClick={() =>
							take.send((id) => ({
								students: rows.map(({ name, email, phone, note, adult, known: before }) => ({
									id: before?.id ?? id(),
									name: before?.name ?? name,
									email,
									phone,
									note,
									adult,
								})),
								sessionIds: [...sessionIds],
							}))
						}
					>
						{sessionIds.length > 0 ? `Take ${rows.length} into the class` : `Take ${rows.length} into the book`}
					</button>
				</>
			)}
			{take.data && (
				<p role="status">
					{take.data.added} new, {take.data.changed} changed
					{sessionIds.length > 0 && `, ${take.data.enrolled} have a place, ${take.data.waiting} on the waiting list`}.
				</p>
			)}
		</section>
	);
}

/** A column says one thing, and one thing is said by one column. */
function remapped(mapping: StudentMapping, column: number, what: StudentColumn | ""): StudentMapping {
	const rest = Object.fromEntries(
		Object.entries(mapping).filter(([key, at]) => at !== column && key !== what),
	) as StudentMapping;
	return what === "" ? rest : { ...rest, [what]: column };
}
