import type { KitView } from "@contract/kits";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { choosable } from "@core/glass/glass";
import { LARGEST_KIT, type RouteStep } from "@core/kit/kit";
import { withoutFiring } from "@core/kit/route";
import type { FiringOutlook } from "@core/stack/outlook";
import type { KitSurvey } from "@core/stack/survey";
import { ChoiceField, TextField } from "../../../forms/fields";
import { useFigure } from "../../../lib/prefs";
import { LevelGlyph } from "../../../ui/signs";
import { useDraft } from "../draft";
import { RouteHours } from "./route-hours";

interface Props {
	view: KitView;
	survey: KitSurvey | undefined;
	mayEdit: boolean;
	errorAt(...path: (string | number)[]): string | undefined;
}

/** The firings one after another: level, mould, hand work, and what each asks of a kiln. */
export function RoutePanel({ view, survey, mayEdit, errorAt }: Props) {
	const design = useDraft((draft) => draft.document);
	const edit = useDraft((draft) => draft.edit);
	const setStep = (i: number, change: Partial<RouteStep>, what: string) =>
		edit(
			(before) => ({ ...before, route: before.route.map((step, j) => (i === j ? { ...step, ...change } : step)) }),
			what,
		);
	const { route } = design;
	const frames = choosable(view.moulds, design.frameId ?? undefined).filter(({ kind }) => kind === "frame");
	return (
		<>
			{survey && survey.reading.areaMm2 > 0 && <RouteHours route={survey.route} pace={view.pace} />}
			<ol className="ruled">
				{route.map((step, i) => (
					<li key={i} className="flex flex-col gap-2 py-3">
						<div className="flex items-center gap-2">
							<b className="figure text-lg">{i + 1}</b>
							<LevelGlyph level={step.level} />
							{mayEdit && route.length > 1 && (
								<button
									type="button"
									className="btn btn-ghost btn-sm ml-auto"
									disabled={withoutFiring(design, i) === undefined}
									title={withoutFiring(design, i) ? undefined : "A component is made in this firing or needs it"}
									onClick={() => edit((before) => withoutFiring(before, i) ?? before)}
								>
									Remove
								</button>
							)}
						</div>
						<Outlook outlook={survey && survey.reading.areaMm2 > 0 ? survey.firings[i] : undefined} />
						{mayEdit ? (
							<StepFields
								step={step}
								moulds={view.moulds}
								error={errorAt("route", i, "handWork")}
								onChange={(change, what) => setStep(i, change, `${what} ${i}`)}
							/>
						) : (
							<p className="text-soft">{step.handWork && `then ${step.handWork}`}</p>
						)}
					</li>
				))}
			</ol>
			{mayEdit && (
				<div className="mt-3 flex flex-col gap-3">
					{route.length < LARGEST_KIT.firings && (
						<button
							type="button"
							className="btn btn-sm"
							onClick={() =>
								edit((before) => ({ ...before, route: [...before.route, { level: "slump", handWork: "" }] }))
							}
						>
							Add a firing
						</button>
					)}
					<label className="flex min-h-9 items-center gap-2">
						<input
							type="checkbox"
							className="checkbox checkbox-sm"
							checked={design.flat}
							onChange={(event) => edit((before) => ({ ...before, flat: event.target.checked }))}
						/>
						it has to end flat (a coaster)
					</label>
					{frames.length > 0 && (
						<ChoiceField
							compact
							label="Frame it has to cover"
							value={design.frameId ?? ""}
							onChange={(frameId) => edit((before) => ({ ...before, frameId: frameId || null }))}
							options={[{ value: "", label: "none" }, ...frames.map(({ id, name }) => ({ value: id, label: name }))]}
						/>
					)}
					<TextField
						label="Note"
						value={design.note}
						onChange={(note) => edit((before) => ({ ...before, note }), "note")}
						error={errorAt("note")}
						multiline
					/>
				</div>
			)}
		</>
	);
}

function StepFields(props: {
	step: RouteStep;
	moulds: KitView["moulds"];
	error: string | undefined;
	onChange(change: Partial<RouteStep>, what: string): void;
}) {
	const { step, moulds, error, onChange } = props;
	const fits = choosable(moulds, step.mouldId).filter(({ kind }) => kind !== "frame");
	return (
		<>
			<ChoiceField
				compact
				label="Fuse level"
				value={step.level}
				options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
				onChange={(level) => onChange({ level }, "level")}
			/>
			<ChoiceField
				compact
				label="Mould"
				value={step.mouldId ?? ""}
				options={[
					{ value: "", label: "none, on the shelf" },
					...fits.map(({ id, name }) => ({ value: id, label: name })),
				]}
				onChange={(mouldId) => onChange({ mouldId: mouldId || undefined }, "mould")}
			/>
			<TextField
				compact
				label="Hand work afterwards"
				value={step.handWork}
				error={error}
				onChange={(handWork) => onChange({ handWork }, "hand work")}
			/>
			<label className="flex min-h-9 items-center gap-2">
				<input
					type="checkbox"
					className="checkbox checkbox-sm"
					checked={step.turnedOver ?? false}
					onChange={(event) => onChange({ turnedOver: event.target.checked || undefined }, "over")}
				/>
				laid upside down
			</label>
		</>
	);
}

function Outlook({ outlook }: { outlook: FiringOutlook | undefined }) {
	const figure = useFigure();
	if (!outlook) return null;
	return (
		<p className="figure text-soft">
			{figure({ c: outlook.peakC })} for {figure({ min: outlook.holdMin })}
			{outlook.airMin > 0 && `, bubble hold ${figure({ min: outlook.airMin })}`}, soak{" "}
			{figure({ min: outlook.soakMin })}, then {figure({ cPerH: outlook.coolCPerH })}: about{" "}
			<b className="text-base-content">{Math.round(outlook.hours)} h</b>
		</p>
	);
}
