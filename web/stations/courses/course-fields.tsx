import type { CourseForm } from "@contract/courses";
import { addDays, type Day, repeated } from "@core/calendar/days";
import { useState } from "react";
import { Check } from "../../forms/check";
import { NumberField, TextField } from "../../forms/fields";
import { MoneyField } from "../../forms/money-field";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";

export const newCourse = (): CourseForm => ({
	id: crypto.randomUUID(),
	title: "",
	about: "",
	room: "",
	places: 8,
	priceMinor: null,
	kitIds: [],
	largeKitIds: [],
	smallKits: 1,
});

interface Props {
	start: CourseForm;
	revision: number;
	kits: readonly { id: string; name: string }[];
	currency: string | null;
	/** The first evening of those that come with it; undefined: none comes. */
	firstDay: Day | undefined;
	onDone(courseId: string): void;
	onCancel?(): void;
}

/** Evenings as they are typed: a first one, how often again. */
interface Typed {
	day: string;
	startsAt: string;
	endsAt: string;
	times: number;
	everyWeeks: number;
	/** Pieces are promised so many days after each; NaN: nothing is. */
	promiseDays: number;
}

/** What a course is, and the evenings that come with it. */
export function CourseFields({ start, revision, kits, currency, firstDay, onDone, onCancel }: Props) {
	const [ids] = useState(() => Array.from({ length: 60 }, () => crypto.randomUUID()));
	const typed: Typed = {
		day: firstDay ?? "",
		startsAt: "18:30",
		endsAt: "21:00",
		times: 1,
		everyWeeks: 1,
		promiseDays: 14,
	};
	const form = useActForm("saveCourse", {
		start: { course: start, revision, typed, evenings: [] as never[] },
		schema: async () => (await import("@contract/courses")).actions.saveCourse,
		sent: ({ course, revision: on, typed: its }) => ({
			course,
			revision: on,
			evenings: firstDay === undefined ? [] : eveningsOf(its, ids),
		}),
		done: (kept) => onDone(kept.courseId),
	});
	const { course } = form.values;
	const evenings = firstDay === undefined ? 0 : form.values.typed.times;
	const problemOfEvening = form.errorAt("evenings.0.day") ?? form.errorAt("evenings.0.startsAt");
	return (
		<form aria-label="Course" noValidate className="flex flex-col gap-3" onSubmit={form.submit}>
			<TextField label="Title" {...form.field("course.title")} />
			{firstDay !== undefined && (
				<fieldset className="flex flex-col gap-3 border-y border-line py-3">
					<TextField label="Day" type="date" {...form.field("typed.day")} error={problemOfEvening} />
					<div className="grid grid-cols-2 gap-3">
						<TextField label="From" type="time" {...form.field("typed.startsAt")} />
						<TextField
							label="To"
							type="time"
							{...form.field("typed.endsAt")}
							error={form.errorAt("evenings.0.endsAt")}
						/>
						<NumberField kind="count" label="How many evenings" {...form.number("typed.times")} />
						<NumberField kind="count" label="Every so many weeks" {...form.number("typed.everyWeeks")} />
					</div>
					<NumberField
						kind="count"
						label="Pieces promised after, days"
						{...form.number("typed.promiseDays")}
						error={form.errorAt("evenings.0.promisedDay")}
						hint="Empty: nothing is promised."
					/>
				</fieldset>
			)}
			<div className="grid grid-cols-2 gap-3">
				<NumberField kind="count" label="Places" {...form.number("course.places")} />
				{currency && (
					<MoneyField
						label="Price"
						currency={currency}
						value={course.priceMinor}
						error={form.errorAt("course.priceMinor")}
						onChange={(minor) => form.set("course.priceMinor", minor)}
					/>
				)}
			</div>
			<TextField label="Room" {...form.field("course.room")} hint="Two classes cannot be in one room at once." />
			<TextField label="What it is about" multiline {...form.field("course.about")} />
			{kits.length > 0 && (
				<fieldset>
					<legend className="font-semibold">Kits its students choose among</legend>
					<ul className="max-h-56 overflow-y-auto">
						{kits.map(({ id, name }) => (
							<li key={id} className="flex items-center justify-between gap-2">
								<Check
									label={<span className="truncate">{name}</span>}
									checked={course.kitIds.includes(id)}
									onChange={(on) => form.set("course.kitIds", toggled(course.kitIds, id, on))}
								/>
								{course.kitIds.includes(id) && (
									<Check
										label="takes the whole class"
										checked={course.largeKitIds.includes(id)}
										onChange={(on) => form.set("course.largeKitIds", toggled(course.largeKitIds, id, on))}
									/>
								)}
							</li>
						))}
					</ul>
					{course.kitIds.length > 1 && (
						<NumberField
							kind="count"
							label="Small kits a student may make, at most"
							{...form.number("course.smallKits")}
							hint="A student makes several small kits, or one that takes the whole class."
						/>
					)}
				</fieldset>
			)}
			<Problems problems={form.others()} />
			<div className="flex gap-2">
				<button type="submit" className="btn btn-primary grow" disabled={form.pending}>
					{revision > 0
						? form.isKept
							? "Saved"
							: "Save the course"
						: `Put ${evenings === 1 ? "it" : `${evenings} evenings`} on the calendar`}
				</button>
				{onCancel && (
					<button type="button" className="btn btn-ghost" onClick={onCancel}>
						Leave it
					</button>
				)}
			</div>
		</form>
	);
}

const toggled = (ids: readonly string[], id: string, on: boolean): string[] =>
	on ? [...ids, id] : ids.filter((one) => one !== id);

function eveningsOf({ day, startsAt, endsAt, times, everyWeeks, promiseDays }: Typed, ids: readonly string[]) {
	if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return [{ id: ids[0] ?? "", day, startsAt, endsAt, promisedDay: null }];
	const count = Math.min(Math.max(1, Math.round(times) || 1), ids.length);
	return repeated(day, count, Math.round(everyWeeks) || 1).map((one, i) => ({
		id: ids[i] ?? "",
		day: one,
		startsAt,
		endsAt,
		promisedDay: Number.isFinite(promiseDays) ? addDays(one, Math.round(promiseDays)) : null,
	}));
}
