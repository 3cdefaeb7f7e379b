import { firstSentence } from "@core/units/written";
import { type BrokenLine, type Mapping, remapped } from "@formats/columns";
import type { TableFile } from "@formats/table-file";
import { useState } from "react";
import { FileField } from "../forms/file-field";
import { Problems } from "../forms/notice";

const SEPARATOR_WORDS: Record<string, string> = { ",": "commas", ";": "semicolons", "\t": "tabs", "|": "bars" };

/** A line of the list as it would be taken. */
export interface Taken {
	line: number;
	name: string;
	detail?: string;
	/** In the book already: what is new of it is taken. */
	known: boolean;
}

interface Props<W extends string> {
	label: string;
	/** What a column can say, in the person's words. */
	words: Record<W, string>;
	guess(table: TableFile): Mapping<W>;
	/** What comes of a table; asked again after every change of its columns. */
	read(table: TableFile, mapping: Mapping<W>): { taken: Taken[]; broken: BrokenLine[]; twice: BrokenLine[] };
	/** The button that takes it, once somebody has looked; `done` puts the table away. */
	children(table: TableFile, mapping: Mapping<W>, done: () => void): React.ReactNode;
}

/** A list as CSV: read here whatever its encoding, shown line by line, taken once it was looked at. */
export function TableImport<W extends string>({ label, words, guess, read, children }: Props<W>) {
	const [table, setTable] = useState<TableFile | null>(null);
	const [mapping, setMapping] = useState<Mapping<W>>({});
	const [problem, setProblem] = useState("");
	const open = async (file: File) => {
		// The reader is loaded once somebody chooses a file.
		const { readTable } = await import("@formats/table-file");
		const found = readTable(new Uint8Array(await file.arrayBuffer()));
		setProblem(found.ok ? "" : firstSentence(found.problems, "This is no list."));
		setTable(found.ok ? found.value : null);
		if (found.ok) setMapping(guess(found.value));
	};
	const list = table && read(table, mapping);
	const whats = Object.keys(words) as W[];
	return (
		<section aria-label="From a list" className="flex flex-col gap-3 border-t border-line pt-3">
			<FileField
				label={label}
				accept=".csv,.txt,text/csv,text/plain"
				error={problem || undefined}
				onFile={(file) => void open(file)}
			/>
			{table && list && (
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
									value={whats.find((what) => mapping[what] === i) ?? ""}
									onChange={(event) => setMapping(remapped(mapping, i, event.target.value as W | ""))}
								>
									<option value="">leave out</option>
									{whats.map((what) => (
										<option key={what} value={what}>
											{words[what]}
										</option>
									))}
								</select>
							</label>
						))}
					</div>
					<Problems
						problems={list.broken.map(({ line, sentence }) => ({
							path: [line],
							sentence: [`Line ${line}: ${sentence}`],
						}))}
					/>
					{list.twice.map(({ line, sentence }) => (
						<p key={line} className="text-soft">
							{sentence}
						</p>
					))}
					<ul className="ruled max-h-56 overflow-y-auto" aria-label="What comes of it">
						{list.taken.map(({ line, name, detail, known }) => (
							<li key={line} className="flex items-baseline justify-between gap-2 py-1">
								<span className="min-w-0">
									<b className="block truncate">{name}</b>
									{detail && <span className="block truncate text-[12.5px] text-soft">{detail}</span>}
								</span>
								<span className="text-soft">{known ? "known" : "new"}</span>
							</li>
						))}
					</ul>
					{children(table, mapping, () => setTable(null))}
				</>
			)}
		</section>
	);
}
