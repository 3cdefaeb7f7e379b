import type { SettingsView } from "@contract/studio";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { scheduleHours } from "@core/firing/schedule";
import type { Schools } from "@core/firing/schools";
import { FAMILY_90 } from "@core/glass/family";
import { phraseText } from "@core/units/phrase";
import { useMemo, useState } from "react";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { help } from "../../help/settings";
import { useFigure, usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { SCHOOLS } from "../../ui/school-words";
import { Tabs } from "../../ui/tabs";
import { CautionFields, HoursFields, PaperFields, type SettingsForm, TimesFields } from "./customs-fields";
import { WishFields } from "./wish-fields";

export default framed("settings", null, help, Settings);

const TABS = [
	{ value: "schools" as const, label: "How it fires" },
	{ value: "hours" as const, label: "Hours and doors" },
	{ value: "wishes" as const, label: "What matters" },
	{ value: "times" as const, label: "Spares and times" },
	{ value: "paper" as const, label: "Paper and money" },
	{ value: "cautions" as const, label: "Cautions" },
];
type Tab = (typeof TABS)[number]["value"];

/** Three singles in places: it shows what the schools cost better than a thin one. */
const BUILT_UP = { ...PLAIN_PIECE, thickestMm: 9, effectiveMm: 13.5, multiLevel: true };

/** How the studio works where nobody says otherwise: what each choice means, and what it costs in hours. */
function Settings({ view, params }: StationProps<"settings">) {
	const [tab, setTab] = useState<Tab>(TABS.find(({ value }) => value === params.tab)?.value ?? "schools");
	const form = useActForm("saveSettings", {
		start: { settings: view.settings, schools: view.schools, revision: view.revision },
		schema: async () => (await import("@contract/studio")).actions.saveSettings,
	});
	return (
		<form aria-label="Settings" noValidate className="flex h-full min-h-0 flex-col" onSubmit={form.submit}>
			<div className="flex items-center justify-between gap-4 border-b border-line px-6 py-2.5">
				<h1>Settings</h1>
				<span className="flex items-center gap-3">
					<a className="btn btn-ghost" href="/first-steps">
						First steps
					</a>
					<a className="btn btn-ghost" href="/people">
						People
					</a>
					<button type="submit" className="btn btn-primary" disabled={form.pending}>
						{form.isKept ? "Saved" : "Save the settings"}
					</button>
				</span>
			</div>
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="The studio" className="scroll-y flex flex-col gap-4 border-r border-line px-6 py-4">
					<Problems problems={form.others()} />
					<TheStudio form={form} zones={view.zones} currencies={view.currencies} />
				</section>
				<section aria-label="How it works" className="flex min-h-0 flex-col">
					<Tabs<Tab>
						label="How it works"
						className="gap-5 border-b border-line px-6"
						tabs={TABS}
						open={tab}
						onOpen={setTab}
					/>
					<div className="scroll-y min-h-0 grow px-6 py-4">
						{tab === "schools" && (
							<>
								<p className="mb-2 max-w-prose text-soft">
									Where the trade does not agree. New schedules and loads begin with these; what is kept stays as it is.
									Hours are those of a tile of three singles with relief at full fuse, programme only.
								</p>
								<SchoolFields
									schools={form.values.schools}
									onChange={(change) => form.set("schools", { ...form.values.schools, ...change })}
								/>
							</>
						)}
						{tab === "hours" && <HoursFields form={form} />}
						{tab === "wishes" && <WishFields form={form} />}
						{tab === "times" && <TimesFields form={form} />}
						{tab === "paper" && <PaperFields form={form} />}
						{tab === "cautions" && <CautionFields form={form} />}
					</div>
				</section>
			</div>
		</form>
	);
}

function TheStudio({ form, zones, currencies }: { form: SettingsForm } & Pick<SettingsView, "zones" | "currencies">) {
	const figure = useFigure();
	const { settings } = form.values;
	const [spots, setSpots] = useState(settings.spots.join(", "));
	return (
		<>
			<TextField label="Name of the studio" {...form.field("settings.name")} />
			<ChoiceField
				label="Time zone"
				{...form.field("settings.timeZone")}
				options={zones.map((zone) => ({ value: zone, label: zone }))}
				hint="Classes and hours that are written down keep their wall clock."
			/>
			<ChoiceField
				label="Currency"
				{...form.field("settings.currency")}
				options={currencies.map(({ code, name }) => ({ value: code, label: `${code} · ${name}` }))}
				hint="Prices keep their numbers: look through them after a change."
			/>
			<div data-unit-choice="">
				<ChoiceField
					label="Units, unless somebody chose their own"
					{...form.field("settings.units")}
					options={[
						{ value: "mm.C", label: "millimetres and °C" },
						{ value: "in.F", label: "inches and °F" },
					]}
				/>
			</div>
			<NumberField
				kind="length"
				label="Kept free between pieces on a shelf"
				{...form.number("settings.clearanceMm")}
				hint={`Beside what they spread. Common practice: ${figure({ mm: 5 })} to ${figure({ mm: 10 })}.`}
			/>
			<TextField
				label="Spots of the pickup shelf"
				multiline
				value={spots}
				error={form.errorAt("settings.spots")}
				hint="In their order, separated by commas. One with a piece on it stays."
				onChange={(text) => {
					setSpots(text);
					form.set(
						"settings.spots",
						text
							.split(/[,;\n]+/)
							.map((one) => one.trim())
							.filter(Boolean),
					);
				}}
			/>
		</>
	);
}

function SchoolFields({ schools, onChange }: { schools: Schools; onChange(change: Partial<Schools>): void }) {
	const { units } = usePrefs();
	const hours = useMemo(() => {
		const of = (change: Partial<Schools>) =>
			scheduleHours(newSchedule("", FAMILY_90, undefined, [BUILT_UP], { ...schools, ...change }), undefined);
		return new Map(
			SCHOOLS.flatMap(({ key, choices }) =>
				choices.map(({ value }) => [`${key} ${value}`, of({ [key]: value })] as const),
			),
		);
	}, [schools]);
	return (
		<div className="ruled">
			{SCHOOLS.map(({ key, label, means, choices }) => (
				<fieldset key={key} className="py-2.5">
					<legend className="sr-only">{label}</legend>
					<p>
						<b className="text-base">{label}</b> <span className="text-soft">{means}</span>
					</p>
					<div className="mt-1 flex flex-wrap gap-2">
						{choices.map(({ value, label: words }) => (
							<label
								key={value}
								className={`flex min-h-11 cursor-pointer items-center gap-2 rounded border px-3 ${schools[key] === value ? "border-secondary bg-pick outline-1 outline-secondary" : "border-line bg-base-100"}`}
							>
								<input
									type="radio"
									className="radio radio-sm"
									name={key}
									checked={schools[key] === value}
									onChange={() => onChange({ [key]: value })}
								/>
								<span>{phraseText(words, units)}</span>
								{key !== "dots" && <b className="figure">{hours.get(`${key} ${value}`)?.toFixed(1)} h</b>}
							</label>
						))}
					</div>
				</fieldset>
			))}
		</div>
	);
}
