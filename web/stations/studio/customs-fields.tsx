import type { SettingsView } from "@contract/studio";
import type { Span } from "@core/calendar/house-hours";
import { GLUE_WORDS, GLUES } from "@core/journey/events";
import { CODES_FOR, type CodesFor, PAPER_SIZES, PAPER_WORDS } from "@core/studio/customs";
import { STATIONS } from "@core/studio/stations";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { MoneyField } from "../../forms/money-field";
import { Said } from "../../forms/said";
import type { useActForm } from "../../forms/use-act-form";
import { STATION_WORDS } from "../../ui/frame/rail";

export type SettingsForm = ReturnType<
	typeof useActForm<"saveSettings", Pick<SettingsView, "settings" | "schools" | "revision">>
>;

const CODES_WORDS: Record<CodesFor, string> = {
	nobody: "those who want it",
	instructors: "instructors",
	everybody: "everybody",
};

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;
const USUAL: Span = { from: "08:00", to: "18:00" };

/** When somebody is there, what must not happen while nobody is. */
export function HoursFields({ form }: { form: SettingsForm }) {
	const { week, quiet, assistantsMay, earlyByTwo, aloneHours } = form.values.settings.customs;
	const day = (i: number, span: Span | null) =>
		form.set(
			"settings.customs.week",
			week.map((one, at) => (at === i ? span : one)),
		);
	return (
		<div className="flex flex-col gap-5">
			<section>
				<h2>Somebody is there</h2>
				<p className="mb-1 max-w-prose text-soft">
					A kiln that is cool at night is opened in the morning: loads and firings say when.
				</p>
				<ul className="ruled max-w-md">
					{DAYS.map((name, i) => (
						<li key={name} className="grid grid-cols-[9rem_minmax(0,1fr)] items-center gap-2 py-0.5">
							<Check label={name} checked={week[i] !== null} onChange={(on) => day(i, on ? USUAL : null)} />
							{week[i] && (
								<SpanFields
									name={name}
									span={week[i]}
									error={
										form.errorAt(`settings.customs.week.${i}.to`) ?? form.errorAt(`settings.customs.week.${i}.from`)
									}
									onChange={(span) => day(i, span)}
								/>
							)}
						</li>
					))}
				</ul>
			</section>
			<section>
				<h2>Assistants may</h2>
				<div className="flex flex-wrap gap-x-6">
					<Check
						label="load and start kilns"
						checked={assistantsMay.load}
						onChange={(on) => form.set("settings.customs.assistantsMay.load", on)}
					/>
					<Check
						label="open them once they are cool"
						checked={assistantsMay.open}
						onChange={(on) => form.set("settings.customs.assistantsMay.open", on)}
					/>
				</div>
			</section>
			<section>
				<h2>Doors</h2>
				<Check
					label="A kiln that is not cool yet is opened by two people, each with their own sign-in"
					checked={earlyByTwo}
					onChange={(on) => form.set("settings.customs.earlyByTwo", on)}
				/>
				<div className="mt-2 max-w-md">
					<ChoiceField
						label="A code of a device is asked for at the door, besides the password, of"
						options={CODES_FOR.map((value) => ({ value, label: CODES_WORDS[value] }))}
						{...form.field("settings.customs.codesFor")}
						hint="Whoever has none sets it up the next time they look at anything; until then nothing else is open to them."
					/>
				</div>
			</section>
			<section>
				<h2>Quiet hours</h2>
				<Check
					label="No kiln is started in these hours"
					checked={quiet !== null}
					onChange={(on) => form.set("settings.customs.quiet", on ? { from: "22:00", to: "07:00" } : null)}
				/>
				{quiet && (
					<SpanFields
						name="Quiet"
						span={quiet}
						error={form.errorAt("settings.customs.quiet.to") ?? form.errorAt("settings.customs.quiet.from")}
						onChange={(span) => form.set("settings.customs.quiet", span)}
					/>
				)}
			</section>
			<div className="max-w-md">
				<NumberField
					kind="hours"
					label="A kiln may fire with nobody there for at most"
					value={aloneHours}
					error={form.errorAt("settings.customs.aloneHours")}
					onChange={(hours) => form.set("settings.customs.aloneHours", hours)}
					hint="Empty: as long as it takes. Ask the insurer and the local code; an independent cut-out protects, not a screen."
				/>
			</div>
		</div>
	);
}

function SpanFields(props: { name: string; span: Span; error: string | undefined; onChange(span: Span): void }) {
	const { name, span, error, onChange } = props;
	return (
		<div>
			<span className="flex items-center gap-2">
				{(["from", "to"] as const).map((end) => (
					<input
						key={end}
						type="time"
						aria-label={`${name} ${end}`}
						aria-invalid={Boolean(error)}
						className={`input figure h-9 w-28 max-lg:h-11 ${error ? "border-error" : ""}`}
						value={span[end]}
						onChange={(event) => onChange({ ...span, [end]: event.target.value })}
					/>
				))}
			</span>
			{error && (
				<p className="font-semibold text-error">
					<Said words={error} />
				</p>
			)}
		</div>
	);
}

const HOURS = {
	queue: "Until it is loaded",
	firing: "Fired and cool",
	judge: "Until it is judged",
	coldWork: "Cold work",
	wrap: "Wrapped and on its spot",
} as const;

/** What is cut beyond need, how long glue dries, how long a piece's way usually takes. */
export function TimesFields({ form }: { form: SettingsForm }) {
	const { spares } = form.values.settings.customs;
	return (
		<div className="grid max-w-2xl grid-cols-2 gap-x-8 gap-y-5">
			<section className="flex flex-col gap-3">
				<h2>Spares, cut beyond need</h2>
				<NumberField
					kind="percent"
					label="More of each part"
					value={Number.isNaN(spares.share) ? Number.NaN : Math.round(spares.share * 1000) / 10}
					error={form.errorAt("settings.customs.spares.share")}
					onChange={(percent) => form.set("settings.customs.spares.share", (percent ?? Number.NaN) / 100)}
				/>
				<NumberField
					kind="count"
					label="At least so many of each"
					{...form.number("settings.customs.spares.least")}
					hint="Of a part as large as the piece one is enough. Common practice: a tenth, at least two."
				/>
				<h2 className="mt-2">A sheet as you buy it</h2>
				<div className="grid grid-cols-2 gap-3">
					<NumberField kind="length" label="Width" {...form.number("settings.customs.sheet.widthMm")} />
					<NumberField kind="length" label="Height" {...form.number("settings.customs.sheet.heightMm")} />
				</div>
				<p className="text-soft">Cut maps are drawn for it. Streaks run along the width.</p>
			</section>
			<section className="flex flex-col gap-3">
				<h2>Drying, until it may be moved and fired</h2>
				{GLUES.filter((glue) => glue !== "none").map((glue) => (
					<NumberField
						key={glue}
						kind="minutes"
						compact
						label={GLUE_WORDS[glue]}
						{...form.number(`settings.customs.dryMin.${glue}`)}
					/>
				))}
			</section>
			<section className="col-span-2">
				<h2>A piece’s way usually takes</h2>
				<p className="mb-2 max-w-prose text-soft">
					Promised days are judged by these while the studio’s own record says nothing better.
				</p>
				<div className="grid grid-cols-3 gap-3">
					{(Object.keys(HOURS) as (keyof typeof HOURS)[]).map((part) => (
						<NumberField
							key={part}
							kind="hours"
							compact
							label={HOURS[part]}
							{...form.number(`settings.customs.usualHours.${part}`)}
						/>
					))}
				</div>
			</section>
		</div>
	);
}

/** What comes out of the printer, what firings cost, how they are counted. */
export function PaperFields({ form }: { form: SettingsForm }) {
	const { currency, customs } = form.values.settings;
	const { tariff } = customs;
	return (
		<div className="grid max-w-2xl grid-cols-2 gap-x-8 gap-y-5">
			<section className="flex flex-col gap-3">
				<h2>Paper</h2>
				<ChoiceField
					label="Kit sheets and labels are printed on"
					{...form.field("settings.customs.paper")}
					options={PAPER_SIZES.map((value) => ({ value, label: PAPER_WORDS[value] }))}
				/>
				<h2 className="mt-2">Numbering</h2>
				<NumberField
					kind="count"
					label="The next firing is number"
					{...form.number("settings.nextFiring")}
					hint="To go on from a notebook: higher than any that was given. Pieces have codes of their own."
				/>
				<h2 className="mt-2">Everything, to take away</h2>
				<p className="text-soft">
					The whole book in open formats: kits, pieces, firings, readings, people. Secrets stay here.
				</p>
				<div className="flex flex-wrap gap-2">
					<a className="btn btn-sm max-lg:h-11" href="/api/export/everything.zip" download>
						CSV files and photos
					</a>
					<a className="btn btn-sm max-lg:h-11" href="/api/export/everything.json" download>
						JSON
					</a>
				</div>
			</section>
			<section className="flex flex-col gap-3">
				<h2>What a firing costs</h2>
				<MoneyField
					key={`kwh ${currency}`}
					label="A kilowatt hour"
					currency={currency}
					fine
					value={tariff.kwhMinor}
					error={form.errorAt("settings.customs.tariff.kwhMinor")}
					onChange={(minor) => form.set("settings.customs.tariff.kwhMinor", minor)}
					hint="From the bill. Empty: power is not reckoned."
				/>
				<MoneyField
					key={`shelf ${currency}`}
					label="A whole shelf, an hour"
					currency={currency}
					value={tariff.shelfHourMinor}
					error={form.errorAt("settings.customs.tariff.shelfHourMinor")}
					onChange={(minor) => form.set("settings.customs.tariff.shelfHourMinor", minor)}
					hint="Kiln time for work from outside, until it may be opened. Empty: not reckoned. Assistants see no money."
				/>
			</section>
		</div>
	);
}

/** What this studio wants said at a station, beside what holds everywhere. */
export function CautionFields({ form }: { form: SettingsForm }) {
	return (
		<div>
			<p className="mb-2 max-w-prose text-soft">
				Said at the station after those that hold everywhere, one a line: where the eyewash stands, which socket is
				which, what the landlord asks.
			</p>
			<div className="grid grid-cols-2 gap-x-6 gap-y-3">
				{STATIONS.map((station) => (
					<TextField
						key={station}
						label={STATION_WORDS[station]}
						multiline
						{...form.field(`settings.customs.cautions.${station}`)}
					/>
				))}
			</div>
		</div>
	);
}
