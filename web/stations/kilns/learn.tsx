import type { KilnLessonView, KilnView } from "@contract/kilns";
import type { Fitted } from "@core/kiln/least-squares";
import { phraseText } from "@core/units/phrase";
import { fahrenheitStep } from "@core/units/temperature";
import { dayAndClock } from "@formats/time";
import { useState } from "react";
import { ChoiceField } from "../../forms/fields";
import { Trouble } from "../../forms/notice";
import { see, useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { Imports } from "./imports";
import { LogUpload } from "./log-upload";

const HOUR_MS = 3_600_000;
const within = ({ value, error }: Fitted, scale: number, digits: number) =>
	Number.isNaN(value) ? "not known" : `${(value * scale).toFixed(digits)} ± ${(2 * error * scale).toFixed(digits)}`;

/** What the kiln's own record says about it: from a firing that was measured, or from a log brought in. */
export function Learn({ view, instructor }: { view: KilnView; instructor: boolean }) {
	const { timeZone } = usePrefs();
	const measured = view.firings.filter(({ came, startedAt }) => came !== null && startedAt !== null);
	const [lesson, setLesson] = useState<KilnLessonView | null>(null);
	const [trouble, setTrouble] = useState("");
	const look = async (from: string, to: string) => {
		setTrouble("");
		try {
			setLesson(await see("kilnLesson", { id: view.form.id, from, to }));
		} catch (error) {
			setTrouble(error instanceof Error ? error.message : "The record cannot be read now.");
		}
	};
	return (
		<section aria-label="Learn from a log" className="flex flex-col gap-3">
			<h2>Learn the kiln from what it did</h2>
			<div className="grid max-w-5xl grid-cols-2 items-start gap-5 max-lg:grid-cols-1">
				<div className="flex flex-col gap-3">
					<ChoiceField<string>
						label="From a measured firing"
						value=""
						options={[
							{ value: "", label: measured.length > 0 ? "choose" : "none was measured yet" },
							...measured.map(({ id, number, startedAt }) => ({
								value: id,
								label: `${number}, ${dayAndClock(startedAt ?? "", timeZone)}`,
							})),
						]}
						onChange={(id) => {
							const one = measured.find((firing) => firing.id === id);
							const from = Date.parse(one?.startedAt ?? "");
							if (one)
								void look(
									new Date(from).toISOString(),
									new Date(from + one.expected.openS * 1000 + 2 * HOUR_MS).toISOString(),
								);
						}}
					/>
					{trouble && <p className="font-semibold text-error">{trouble}</p>}
					{lesson && <Lesson key={`${lesson.from}${lesson.to}`} view={view} lesson={lesson} instructor={instructor} />}
				</div>
				{instructor && (
					<div className="flex min-w-0 flex-col gap-4">
						<LogUpload view={view} onRead={({ from, to }) => void look(from, to)} />
						<Imports imports={view.imports} onLook={({ from, to }) => void look(from, to)} />
					</div>
				)}
			</div>
		</section>
	);
}

function Lesson({ view, lesson, instructor }: { view: KilnView; lesson: KilnLessonView; instructor: boolean }) {
	const { units, timeZone } = usePrefs();
	const accept = useAct("acceptLearned");
	const { learned, before, after } = lesson;
	const { powerW, capacityJPerK, lossWPerK } = learned;
	const degree = units.temperature === "F" ? fahrenheitStep(1) : 1;
	const rows: [string, string, string][] = [
		[
			`climbs without losses, P/C, °${units.temperature}/h`,
			within(learned.climbKPerS, 3600 * degree, 0),
			`${((before.powerW / before.capacityJPerK) * 3600 * degree).toFixed(0)}`,
		],
		[
			"falls by itself, UA/C, of its height an hour",
			within(learned.coolPerS, 3600, 3),
			`${((before.lossWPerK / before.capacityJPerK) * 3600).toFixed(3)}`,
		],
		[
			"power",
			powerW ? `${Math.round(powerW)} W from ${learned.powerFrom === "kWh" ? "the meter" : "the plate"}` : "not known",
			`${Math.round(before.powerW)} W`,
		],
		[
			"heat it holds, C, kJ/K",
			capacityJPerK ? within(capacityJPerK, 1e-3, 1) : "not known",
			`${(before.capacityJPerK / 1000).toFixed(1)}`,
		],
		["what it loses, UA, W/K", lossWPerK ? within(lossWPerK, 1, 2) : "not known", `${before.lossWPerK.toFixed(2)}`],
	];
	return (
		<div className="border-l-4 border-secondary bg-base-100 px-4 py-3">
			<p className="mb-1">
				<b>
					{dayAndClock(lesson.from, timeZone)} to {dayAndClock(lesson.to, timeZone)}
				</b>
				: {learned.heatingWindows} stretches of heating, {learned.fallingWindows} of falling. ± is twice the standard
				error.
			</p>
			<table className="figure w-full">
				<thead>
					<tr className="text-left text-soft">
						<th />
						<th scope="col" className="font-normal">
							the log says
						</th>
						<th scope="col" className="font-normal">
							until now
						</th>
					</tr>
				</thead>
				<tbody>
					{rows.map(([label, says, now]) => (
						<tr key={label} className="border-t border-line">
							<th scope="row" className="py-1 text-left font-normal text-soft">
								{label}
							</th>
							<td className="font-semibold">{says}</td>
							<td>{now}</td>
						</tr>
					))}
				</tbody>
			</table>
			{learned.unknown.map((phrase) => (
				<p key={phraseText(phrase, units)} className="mt-1 text-warning">
					{phraseText(phrase, units)}
				</p>
			))}
			{instructor && after && (
				<button
					type="button"
					className="btn btn-primary mt-3"
					disabled={accept.isPending || accept.isSuccess}
					onClick={() =>
						accept.send((id) => ({ lessonId: id(), kilnId: view.form.id, from: lesson.from, to: lesson.to }))
					}
				>
					{accept.isSuccess ? "The kiln is planned with this" : "Plan with what the log says"}
				</button>
			)}
			<Trouble error={accept.error} />
		</div>
	);
}
