import type { KilnView } from "@contract/kilns";
import { isDated, type LogMapping } from "@core/kiln/log";
import { firstSentence } from "@core/units/written";
import type { LogPreview } from "@formats/kiln-log";
import { wallClockMs } from "@formats/wall-clock";
import { useState } from "react";
import { FileField } from "../../forms/file-field";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { usePrefs } from "../../lib/prefs";
import { MappingFields } from "./mapping-fields";

interface Props {
	view: KilnView;
	onRead(range: { from: string; to: string }): void;
}

/** A recorded log comes in: a look at its columns, what they mean, and then its lines join the kiln's readings. */
export function LogUpload({ view, onRead }: Props) {
	const [text, setText] = useState("");
	const [preview, setPreview] = useState<LogPreview | null>(null);
	const [problem, setProblem] = useState("");
	const open = async (file: File) => {
		setProblem("");
		setPreview(null);
		const content = await file.text();
		const { previewLog } = await import("@formats/kiln-log");
		const read = previewLog(content);
		if (!read.ok) return setProblem(firstSentence(read.problems, "This file cannot be read."));
		setText(content);
		setPreview(read.value);
	};
	return (
		<div className="flex min-w-0 flex-col gap-2">
			<FileField
				label="From a log file (CSV)"
				accept=".csv,.txt,text/csv,text/plain"
				error={problem || undefined}
				onFile={(file) => void open(file)}
			/>
			{preview && <Mapping key={text.length} view={view} text={text} preview={preview} onRead={onRead} />}
		</div>
	);
}

const FALLBACK: LogMapping = {
	time: { column: 0, as: "seconds", startsAt: null },
	air: 1,
	set: null,
	duty: null,
	kwh: null,
	unit: "C",
	dutyIn: "share",
	decimal: ".",
};

function Mapping({ view, text, preview, onRead }: Props & { text: string; preview: LogPreview }) {
	const { timeZone } = usePrefs();
	const form = useActForm("importKilnLog", {
		start: { mapping: preview.guess ?? FALLBACK, begins: "" },
		schema: async () => (await import("@contract/kilns")).actions.importKilnLog,
		sent({ mapping, begins }, id) {
			// The picker gives a clock time; it is meant in the studio's zone, wherever the browser is.
			const [day = "", time = "00:00"] = begins.split("T");
			const counted = !isDated(mapping.time.as) && begins !== "";
			const startsAt = counted ? new Date(wallClockMs(day, time, timeZone)).toISOString() : null;
			return {
				importId: id(),
				kilnId: view.form.id,
				text,
				mapping: { ...mapping, time: { ...mapping.time, startsAt } },
			};
		},
		// Part of a log teaches something else than all of it: the rest is waited for.
		done: ({ from, to, toCome }) => toCome === 0 && onRead({ from, to }),
	});
	const { mapping, begins } = form.values;
	const counted = !isDated(mapping.time.as);
	return (
		<form className="flex flex-col gap-2" noValidate onSubmit={form.submit}>
			<div className="overflow-x-auto border border-line">
				<table className="figure w-full text-[12.5px]">
					<thead>
						<tr>
							{preview.columns.map(({ name }, i) => (
								<th key={i} scope="col" className="px-2 text-left">
									{name}
								</th>
							))}
						</tr>
					</thead>
					<tbody>
						{Array.from({ length: 4 }, (_, row) => (
							<tr key={row} className="border-t border-line">
								{preview.columns.map(({ sample }, i) => (
									<td key={i} className="px-2 whitespace-nowrap">
										{sample[row]}
									</td>
								))}
							</tr>
						))}
					</tbody>
				</table>
			</div>
			<p className="text-soft">
				{preview.rows} lines. What the columns mean is guessed from their looks: change what is wrong.
			</p>
			<div className="grid grid-cols-2 gap-2">
				<MappingFields
					columns={preview.columns.map(({ name }) => name)}
					mapping={mapping}
					onChange={(change) => form.set("mapping", { ...mapping, ...change })}
				/>
			</div>
			{counted && (
				<label className="flex flex-col gap-1">
					<span className="font-semibold">It began at</span>
					<input
						type="datetime-local"
						className="input h-11 w-full"
						value={begins}
						onChange={(event) => form.set("begins", event.target.value)}
					/>
				</label>
			)}
			<Problems problems={form.others()} />
			<button type="submit" className="btn btn-primary" disabled={form.pending || (counted && begins === "")}>
				{form.pending ? "Reading …" : "Bring it in and look"}
			</button>
			{form.answer && (
				<p>
					{form.answer.added} readings were new, {form.answer.known} were there already, {form.answer.skipped} lines
					could not be read.
					{form.answer.toCome > 0 &&
						` ${form.answer.toCome} are still being written: look at it under “Logs brought in” once it is there.`}
				</p>
			)}
		</form>
	);
}
