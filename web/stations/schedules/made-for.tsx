import type { ScheduleView } from "@contract/schedules";
import { demandOf, type PieceToFire } from "@core/firing/demand";
import { demandOfDocument, PLAIN_PIECE, rebuilt, type ScheduleDocument } from "@core/firing/document";
import { FUSE_LEVELS, type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { scheduleHours } from "@core/firing/schedule";
import { type Schools, USUAL_PACE } from "@core/firing/schools";
import type { GlassFamily } from "@core/glass/family";
import { inUse } from "@core/glass/glass";
import type { KilnBody } from "@core/kiln/kiln";
import { counted } from "@core/units/counted";
import { formatMinutes } from "@core/units/duration";
import { phraseText } from "@core/units/phrase";
import { useMemo, useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { useFigure, usePrefs } from "../../lib/prefs";
import { SCHOOLS } from "../../ui/school-words";

interface Props {
	view: ScheduleView;
	document: ScheduleDocument;
	family: GlassFamily;
	kiln: KilnBody | undefined;
	onEdit(change: (document: ScheduleDocument) => ScheduleDocument, what?: string): void;
	onRebuild(change: Partial<ScheduleDocument>): void;
}

/** What the schedule is made for: family, level, schools, pieces, and who sets each segment. */
export function MadeFor({ view, document, family, kiln, onEdit, onRebuild }: Props) {
	const figure = useFigure();
	const { units } = usePrefs();
	const demand = demandOfDocument(document);
	const school = (change: Partial<Schools>) => onRebuild({ schools: { ...document.schools, ...change } });
	const { schools, pieces } = document;
	const hoursWith = useMemo(() => {
		const hours = (change: Partial<Schools>) => {
			const segments = rebuilt({ ...document, schools: { ...document.schools, ...change } }, family, kiln);
			return segments && Math.round(scheduleHours({ segments }, kiln));
		};
		return new Map(
			SCHOOLS.flatMap(({ key, choices }) => choices.map(({ value }) => [value + key, hours({ [key]: value })])),
		);
	}, [document, family, kiln]);
	return (
		<div className="flex flex-col gap-3">
			<div className="grid grid-cols-2 gap-2">
				<ChoiceField<string>
					compact
					label="Family"
					value={document.familyId}
					options={view.families.map(({ id, label }) => ({ value: id, label }))}
					onChange={(familyId) => onRebuild({ familyId })}
				/>
				<ChoiceField<FuseLevel>
					compact
					label="Level"
					value={document.level}
					options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
					onChange={(level) => onRebuild({ level, aim: null })}
				/>
			</div>
			<section aria-label="Schools" className="flex flex-col gap-2">
				<h2>Schools</h2>
				{SCHOOLS.map(({ key, label, choices }) => (
					<ChoiceField<string>
						key={key}
						compact
						label={label}
						value={schools[key]}
						options={choices.map(({ value, label: words }) => ({
							value,
							label: `${phraseText(words, units)} · ${hoursWith.get(value + key) ?? "–"} h`,
						}))}
						onChange={(value) => school({ [key]: value })}
					/>
				))}
			</section>
			<section aria-label="Pieces">
				<h2 className="mb-1">Made for {counted(pieces.length, "piece")}</h2>
				<ul className="ruled">
					{pieces.map((piece, i) => (
						<PieceRow
							key={`${piece.id}${i}`}
							piece={piece}
							sets={demand ? setsOf(demand.setBy, piece.id) : []}
							onChange={(change) =>
								onRebuild({ pieces: pieces.map((one, k) => (k === i ? { ...one, ...change } : one)) })
							}
							onRemove={pieces.length > 1 ? () => onRebuild({ pieces: pieces.filter((_, k) => k !== i) }) : undefined}
						/>
					))}
				</ul>
				<button
					type="button"
					className="btn btn-sm mt-2 max-lg:h-11"
					onClick={() =>
						onRebuild({
							pieces: [...pieces, { ...PLAIN_PIECE, level: document.level, id: `piece ${pieces.length + 1}` }],
						})
					}
				>
					Add a piece
				</button>
			</section>
			{demand && (
				<p className="text-soft">
					They ask for{" "}
					{demand.firstRampCPerH === "full"
						? "no limit on the way up"
						: `at most ${figure({ cPerH: demand.firstRampCPerH })} from cold`}
					{demand.airMin > 0 && `, ${formatMinutes(demand.airMin)} to let air out`}, {formatMinutes(demand.soakMin)} of
					soak and {figure({ cPerH: demand.coolCPerH })} at first on the way down.
				</p>
			)}
			<ChoiceField<string>
				compact
				label="On a mould"
				value={
					view.moulds.find(({ maxC }) => maxC === document.mouldMaxC)?.id ?? (document.mouldMaxC === null ? "" : "own")
				}
				options={[
					{ value: "", label: "none" },
					...(document.mouldMaxC !== null && !view.moulds.some(({ maxC }) => maxC === document.mouldMaxC)
						? [{ value: "own", label: `one that bears ${figure({ c: document.mouldMaxC })}` }]
						: []),
					...inUse(view.moulds)
						.filter(({ kind }) => kind !== "frame")
						.map(({ id, name, maxC }) => ({ value: id, label: `${name}, ${figure({ c: maxC })}` })),
				]}
				onChange={(id) =>
					onEdit((now) => ({ ...now, mouldMaxC: view.moulds.find((one) => one.id === id)?.maxC ?? null }))
				}
			/>
			<TextField
				label="Note"
				value={document.note}
				multiline
				onChange={(note) => onEdit((now) => ({ ...now, note }), "note")}
			/>
		</div>
	);
}

const PART_WORDS = { firstRamp: "first ramp", air: "bubble hold", soak: "soak", cool: "cooling" } as const;

const setsOf = (setBy: NonNullable<ReturnType<typeof demandOfDocument>>["setBy"], id: string): string[] =>
	(Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[])
		.filter((part) => setBy[part].includes(id))
		.map((part) => PART_WORDS[part]);

function PieceRow(props: {
	piece: PieceToFire;
	sets: string[];
	onChange(change: Partial<PieceToFire>): void;
	onRemove: (() => void) | undefined;
}) {
	const { piece, sets, onChange, onRemove } = props;
	const figure = useFigure();
	const [open, setOpen] = useState(false);
	const asked = demandOf(piece, USUAL_PACE);
	const length = (label: string, key: "thickestMm" | "effectiveMm" | "acrossMm" | "trappedSpanMm") => (
		<NumberField
			compact
			kind="length"
			label={label}
			value={piece[key]}
			onChange={(mm) => mm !== null && !Number.isNaN(mm) && mm >= 0 && onChange({ [key]: mm })}
		/>
	);
	const mark = (label: string, key: "fired" | "blackBesideWhite" | "multiLevel") => (
		<Check label={label} checked={piece[key]} onChange={(checked) => onChange({ [key]: checked })} />
	);
	return (
		<li className="py-1.5">
			<button
				type="button"
				aria-expanded={open}
				className="flex min-h-9 w-full items-baseline justify-between gap-2 text-left"
				onClick={() => setOpen(!open)}
			>
				<span>
					<b>{piece.id}</b>
					{sets.length > 0 && <span className="block text-soft">sets {sets.join(", ")}</span>}
				</span>
				<span className="figure whitespace-nowrap">
					{figure({ mm: piece.thickestMm })}
					{piece.effectiveMm !== piece.thickestMm && (
						<span className="block text-soft">as {figure({ mm: piece.effectiveMm })}</span>
					)}
				</span>
			</button>
			{open && (
				<div className="mt-1 flex flex-col gap-2">
					<div className="grid grid-cols-2 gap-2">
						{length("Thickest place", "thickestMm")}
						{length("To anneal as", "effectiveMm")}
						{length("Longer side", "acrossMm")}
						{length("Sheet on sheet, span", "trappedSpanMm")}
					</div>
					{mark("fused before", "fired")}
					{mark("black beside white", "blackBesideWhite")}
					{mark("several heights", "multiLevel")}
					<p className="text-soft">
						Alone: soak {formatMinutes(asked.soakMin)}, {figure({ cPerH: asked.coolCPerH })} down.
					</p>
					{onRemove && (
						<button type="button" className="btn btn-ghost btn-sm self-start" onClick={onRemove}>
							Take it out
						</button>
					)}
				</div>
			)}
		</li>
	);
}
