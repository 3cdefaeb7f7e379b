import { guessMapping, type StudentColumn, type StudentMapping, samePerson, studentsOf } from "@formats/student-list";
import type { TableFile } from "@formats/table-file";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { TableImport } from "../../ui/table-import";

const WORDS: Record<StudentColumn, string> = {
	name: "name",
	first: "first name",
	last: "last name",
	email: "e-mail",
	phone: "telephone",
	note: "note",
	adult: "adult who answers for them",
};

interface Props {
	known: readonly { id: string; revision: number; name: string; email?: string | null }[];
	/** Evenings they get a place in; none: they only come into the book. */
	sessionIds: readonly string[];
	places: number | undefined;
}

/** A list of students as CSV, taken into the book and into evenings. */
export function StudentImport({ known, sessionIds, places }: Props) {
	const take = useAct("takeStudents");
	const listed = (table: TableFile, mapping: StudentMapping) => {
		const { students, ...rest } = studentsOf(table, mapping);
		const rows = students.map((one) => ({
			...one,
			before: known.find((other) => samePerson(one, { name: other.name, email: other.email ?? null })),
		}));
		return { rows, ...rest };
	};
	return (
		<>
			<TableImport<StudentColumn>
				label="From a list as CSV"
				words={WORDS}
				guess={guessMapping}
				read={(table, mapping) => {
					const { rows, broken, twice } = listed(table, mapping);
					return {
						taken: rows.map(({ line, name, email, before }) => ({
							line,
							name,
							...(email && { detail: email }),
							known: before !== undefined,
						})),
						broken,
						twice: twice.map(({ line, first }) => ({
							line,
							sentence: `Line ${line} is the person of line ${first} again: taken once.`,
						})),
					};
				}}
			>
				{(table, mapping, done) => {
					const { rows } = listed(table, mapping);
					return (
						<>
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
									void take
										.sendAsync((id) => ({
											students: rows.map(({ name, email, phone, note, adult, before }) => ({
												id: before?.id ?? id(),
												revision: before?.revision ?? 0,
												name: before?.name ?? name,
												email,
												phone,
												note,
												adult,
											})),
											sessionIds: [...sessionIds],
										}))
										.then(done, () => {})
								}
							>
								{sessionIds.length > 0 ? `Take ${rows.length} into the class` : `Take ${rows.length} into the book`}
							</button>
						</>
					);
				}}
			</TableImport>
			{take.data && (
				<p role="status">
					{take.data.added} new, {take.data.changed} changed
					{sessionIds.length > 0 && `, ${take.data.enrolled} have a place, ${take.data.waiting} on the waiting list`}.
				</p>
			)}
		</>
	);
}
