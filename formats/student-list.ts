import { type BrokenLine, cellOf, guessColumns, type Mapping, nameKey, sameName } from "./columns";
import type { TableFile } from "./table-file";

/** What a list can say of a student. */
export const STUDENT_COLUMNS = ["name", "first", "last", "email", "phone", "note", "adult"] as const;
export type StudentColumn = (typeof STUDENT_COLUMNS)[number];

export type StudentMapping = Mapping<StudentColumn>;

/** Words that head such columns, in the languages that lists of glass rooms came in. Looked for in this order. */
const HEADS: readonly (readonly [StudentColumn, RegExp])[] = [
	["email", /e-?mail|correo|courriel|posta/i],
	["phone", /phone|mobile|\btel|handy|teléfono|téléphone/i],
	["adult", /adult|parent|guardian|eltern|erziehungs/i],
	["first", /first.?name|given|vorname|prénom|forename|nombre de pila/i],
	["last", /last.?name|surname|family.?name|nachname|nom de famille|apellido/i],
	["note", /note|remark|comment|bemerkung|hinweis/i],
	["name", /name|student|teilnehm|participant|nombre|nom\b/i],
];

/** Which column says what: by their heads; the e-mail also by its sign, the name where nothing else is said. */
export function guessMapping({ columns, rows }: Pick<TableFile, "columns" | "rows">): StudentMapping {
	const mapping = guessColumns(columns, HEADS);
	const isTaken = (at: number) => Object.values(mapping).includes(at);
	if (mapping.email === undefined) {
		const at = columns.findIndex(
			(_, i) => !isTaken(i) && rows.length > 0 && rows.every(({ cells }) => /.@./.test(cells[i] ?? "")),
		);
		if (at >= 0) mapping.email = at;
	}
	if (mapping.name === undefined && mapping.first === undefined && mapping.last === undefined) {
		const at = columns.findIndex((_, i) => !isTaken(i));
		if (at >= 0) mapping.name = at;
	}
	return mapping;
}

/** Somebody as a line of the list says. */
export interface ListedStudent {
	line: number;
	name: string;
	email: string | null;
	phone: string;
	note: string;
	adult: string;
}

export interface StudentList {
	students: ListedStudent[];
	/** Lines that nobody comes of, and why. */
	broken: BrokenLine[];
	/** Lines that say the same person again; what they add was taken. */
	twice: { line: number; first: number }[];
}

/** One person twice: the same name but for case and spaces, and no two e-mails. A family may share an e-mail. */
export const samePerson = (
	a: { name: string; email: string | null },
	b: { name: string; email: string | null },
): boolean => sameName(a.name, b.name) && (!a.email || !b.email || nameKey(a.email) === nameKey(b.email));

/** The students of a table. */
export function studentsOf(table: TableFile, mapping: StudentMapping): StudentList {
	const list: StudentList = { students: [], broken: [...table.broken], twice: [] };
	for (const row of table.rows) {
		const { line } = row;
		const of = (what: StudentColumn) => cellOf(row, mapping, what);
		const name = [of("name"), of("first"), of("last")].filter(Boolean).join(" ");
		const email = of("email") || null;
		if (name === "") {
			list.broken.push({ line, sentence: "It has no name." });
			continue;
		}
		if (email !== null && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email)) {
			list.broken.push({ line, sentence: `“${email}” is not an e-mail address.` });
			continue;
		}
		const one = { line, name, email, phone: of("phone"), note: of("note"), adult: of("adult") };
		const before = list.students.find((other) => samePerson(one, other));
		if (before) {
			list.twice.push({ line, first: before.line });
			for (const what of ["email", "phone", "note", "adult"] as const)
				Object.assign(before, { [what]: before[what] || one[what] });
			continue;
		}
		list.students.push(one);
	}
	list.broken.sort((a, b) => a.line - b.line);
	return list;
}
