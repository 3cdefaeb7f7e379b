import type { KilnView, RecorderView } from "@contract/kilns";
import type { LogMapping, RecorderForm, Unfit } from "@core/kiln/log";
import { columnsAlike } from "@formats/recorder-alike";
import { readRecorded } from "@formats/recorder-line";
import { clock, dayAndClock, shortDay } from "@formats/time";
import { useMemo, useState } from "react";
import { Check } from "../../forms/check";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { useView } from "../../lib/api";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { agoWords } from "../../lib/staleness";
import { MappingFields } from "./mapping-fields";

const MISFIT_WORDS: Record<Unfit, string> = {
	header: "It writes other columns now.",
	columns: "It writes more or fewer columns now.",
	time: "It writes its times in another form now.",
	number: "It writes numbers that could mean two things, or with another decimal sign.",
	unit: "It writes another unit now.",
};

/** What a kiln’s recorder writes, line by line, and what a person says that means: it is read like that and no other way. */
export default function RecorderPanel({ view }: { view: KilnView }) {
	const { timeZone } = usePrefs();
	const recorder = useView("recorder", { id: view.form.id }).data;
	const [again, setAgain] = useState(false);
	if (!recorder) return null;
	const { confirmed, misfit, file, form } = recorder;
	const stands = confirmed !== null && misfit === null;
	return (
		<section aria-label="Recorder" className="mt-6 flex max-w-3xl flex-col gap-3 border-t border-line pt-4">
			<h2>What its recorder writes</h2>
			{file === null && (
				<p>
					There is no file yet in the data folder, under {view.logFolder}. Its lines appear here as soon as there is
					one.
				</p>
			)}
			{stands && (
				<p>
					Confirmed {dayAndClock(confirmed.at, timeZone)} by <b>{confirmed.by}</b>: it is read like this, and not at all
					should its columns, its unit or its decimal sign change.
				</p>
			)}
			{file !== null && !stands && (
				<p className="border-l-4 border-warning bg-warning/10 px-3 py-2 font-semibold">
					{misfit ? MISFIT_WORDS[misfit] : "Nobody has confirmed what these lines mean."} Until somebody does,{" "}
					{view.form.name} is not read.
				</p>
			)}
			{file !== null && form === null && (
				<p>
					Nothing in {file} looks like a temperature with its date. The recorder has to write the date with the time.
				</p>
			)}
			{file !== null && stands && !again && (
				<>
					<Lines recorder={recorder} air={confirmed.form.mapping.air} />
					<button type="button" className="btn btn-sm self-start max-lg:h-11" onClick={() => setAgain(true)}>
						Confirm it anew …
					</button>
				</>
			)}
			{form && (!stands || again) && (
				<ConfirmForm
					key={`${recorder.file} ${JSON.stringify(recorder.header)}`}
					view={view}
					recorder={recorder}
					start={stands ? confirmed.form : form}
					done={() => setAgain(false)}
				/>
			)}
		</section>
	);
}

/** The last lines as they stand in the file, the kiln’s column marked. */
function Lines({ recorder, air }: { recorder: RecorderView; air: number }) {
	const { header, tail, form, confirmed } = recorder;
	const delimiter = (confirmed?.form ?? form)?.delimiter ?? ",";
	const rows = tail
		.split("\n")
		.slice(-4)
		.map((line) => line.split(delimiter));
	const mark = (i: number) => (i === air ? "bg-pick font-semibold" : "");
	return (
		<div className="overflow-x-auto border border-line">
			<table className="figure w-full text-[13px]">
				<thead>
					<tr>
						{(header ?? rows[0] ?? []).map((name, i) => (
							<th key={i} scope="col" className={`px-2 py-1 text-left ${mark(i)}`}>
								{header ? name : `column ${i + 1}`}
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{rows.map((row, n) => (
						<tr key={n} className="border-t border-line">
							{row.map((cell, i) => (
								<td key={i} className={`px-2 py-0.5 whitespace-nowrap ${mark(i)}`}>
									{cell}
								</td>
							))}
						</tr>
					))}
				</tbody>
			</table>
		</div>
	);
}

interface FormProps {
	view: KilnView;
	recorder: RecorderView;
	start: RecorderForm;
	done(): void;
}

function ConfirmForm({ view, recorder, start, done }: FormProps) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const nowMs = useNow();
	const [kept, setKept] = useState(start);
	// As the server will read it.
	const says = useMemo(
		() => readRecorded(recorder.tail, kept, timeZone, { foreign: false }).readings.at(-1),
		[recorder.tail, kept, timeZone],
	);
	const form = useActForm("confirmRecorder", {
		start: { sure: false },
		schema: async () => (await import("@contract/kilns")).actions.confirmRecorder,
		sent: ({ sure }) => ({
			kilnId: view.form.id,
			form: kept,
			says: { c: says?.airC ?? 0, at: new Date(says?.atMs ?? 0).toISOString() },
			sure: sure as true,
		}),
		done,
	});
	const { mapping } = kept;
	const set = (change: Partial<LogMapping>) => {
		setKept({ ...kept, mapping: { ...mapping, ...change } });
		form.set("sure", false);
	};
	const names = Array.from({ length: kept.columns }, (_, i) => recorder.header?.[i] || `column ${i + 1}`);
	const at = says && new Date(says.atMs);
	const alike = useMemo(() => columnsAlike(recorder.tail, kept, timeZone), [recorder.tail, kept, timeZone]);
	return (
		<form className="flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<Lines recorder={recorder} air={mapping.air} />
			<div className="grid grid-cols-3 gap-2 max-lg:grid-cols-2">
				<MappingFields dated columns={names} mapping={mapping} onChange={set} />
			</div>
			{says && at && says.airC !== null ? (
				<div className="border-l-4 border-secondary bg-pick px-3 py-2">
					<p>
						It says {view.form.name} {nowMs - says.atMs < FRESH_MS ? "is now" : "was"} at
					</p>
					<p>
						<b className="figure text-4xl">{figure({ c: says.airC })}</b>{" "}
						<span className="text-soft">
							{shortDay(at, timeZone)}, {clock(at, timeZone)}, {agoWords(Math.max(0, (nowMs - says.atMs) / 1000))}
						</span>
					</p>
					{alike.length > 0 && (
						<p className="my-1 border-t border-line pt-2">
							<b>{alike.map(({ column, c }) => `“${names[column]}” says ${figure({ c })}`).join(", ")}</b>: by their
							figures nobody can tell now which column is the kiln’s. Confirm it while the kiln is warm, or go by the
							wires.
						</p>
					)}
					<Check
						weighty
						label="The kiln’s own display says the same"
						checked={form.values.sure}
						onChange={(sure) => form.set("sure", sure)}
					/>
				</div>
			) : (
				<p className="border-l-4 border-error px-3 py-2 font-semibold">
					Read like this its last line says no temperature. Choose other columns, or another form.
				</p>
			)}
			<Problems problems={form.others()} />
			<button
				type="submit"
				className="btn btn-primary self-start"
				disabled={form.pending || !form.values.sure || says?.airC == null}
			>
				Read it like this from now on
			</button>
		</form>
	);
}

/** A line older than this tells what was, ms. */
const FRESH_MS = 900_000;
