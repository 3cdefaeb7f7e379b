import type { ActionInput } from "@contract/actions";
import { problemsOf } from "@contract/problems";
import { guessList, type ListedThing, type ListSpec, readList } from "@formats/book-list";
import { type BrokenLine, type Mapping, sameName } from "@formats/columns";
import type { TableFile } from "@formats/table-file";
import type { z } from "zod";
import { Trouble } from "../forms/notice";
import { useAct } from "../lib/api";
import { usePrefs } from "../lib/prefs";
import { TableImport } from "./table-import";

type TakeAction = "takeGlass" | "takeMoulds" | "takeKilns";
type Entry = ActionInput<TakeAction>["entries"][number];

interface Props<W extends string, T extends { name: string; revision: number }> {
	action: TakeAction;
	/** "glasses", "moulds". */
	several: string;
	spec: ListSpec<W>;
	known: readonly T[];
	/** The entry that a line makes, of the one it names already or new; or why it makes none. */
	entry(thing: ListedThing<W>, before: T | undefined, id: () => string): { entry: Entry } | { sentence: string };
	/** The entry's own schema. */
	schema: z.ZodType;
}

/** A list of glass, moulds or kilns as CSV: what is wrong is told by its line, what is known gets what is new of it. */
export default function BookImport<W extends string, T extends { name: string; revision: number }>(props: Props<W, T>) {
	const { action, several, spec, known, entry, schema } = props;
	const { units } = usePrefs();
	const take = useAct(action);
	const columns = Object.entries(spec) as [W | "name", ListSpec<W>[W | "name"]][];
	const words = Object.fromEntries(columns.map(([key, { words: its }]) => [key, its])) as Record<W | "name", string>;
	const listed = (table: TableFile, mapping: Mapping<W | "name">) => {
		const { things, broken, twice } = readList(table, mapping, spec, units);
		const wrong: BrokenLine[] = [...broken];
		const rows = things.flatMap((thing) => {
			const before = known.find(({ name }) => sameName(name, thing.name));
			const made = entry(thing, before, () => crypto.randomUUID());
			if ("sentence" in made) {
				wrong.push({ line: thing.line, sentence: made.sentence });
				return [];
			}
			const parsed = schema.safeParse(made.entry);
			if (parsed.success) return [{ thing, before }];
			const sentence = problemsOf(parsed.error)
				.map((one) => one.sentence)
				.join(" ");
			wrong.push({ line: thing.line, sentence });
			return [];
		});
		return { rows, broken: wrong.sort((a, b) => a.line - b.line), twice };
	};
	return (
		<>
			<TableImport<W | "name">
				label={`Your ${several} from a list as CSV`}
				words={words}
				guess={(table) => guessList(table, spec)}
				read={(table, mapping) => {
					const { rows, broken, twice } = listed(table, mapping);
					return {
						taken: rows.map(({ thing, before }) => ({
							line: thing.line,
							name: thing.name,
							detail: columns
								.flatMap(([what, its]) => (what in thing.said ? [`${its.words} ${thing.said[what as W]}`] : []))
								.join(", "),
							known: before !== undefined,
						})),
						broken,
						twice: twice.map(({ line, first }) => ({
							line,
							sentence: `Line ${line} names what line ${first} names: taken once.`,
						})),
					};
				}}
			>
				{(table, mapping, done) => {
					const { rows, broken } = listed(table, mapping);
					return (
						<>
							<Trouble error={take.error} />
							<button
								type="button"
								className="btn btn-primary"
								disabled={take.isPending || rows.length === 0}
								onClick={() =>
									void take
										.sendAsync(
											(id) =>
												({
													entries: rows.flatMap(({ thing, before }) => {
														const made = entry(thing, before, id);
														return "entry" in made ? [made.entry] : [];
													}),
												}) as ActionInput<typeof action>,
										)
										.then(done, () => {})
								}
							>
								Take {rows.length} {several}
								{broken.length > 0 && `, leave ${broken.length} out`}
							</button>
						</>
					);
				}}
			</TableImport>
			{take.data && (
				<p role="status">
					{take.data.added} new, {take.data.changed} changed.
				</p>
			)}
		</>
	);
}
