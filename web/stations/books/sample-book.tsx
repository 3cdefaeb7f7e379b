import type { SampleBrief } from "@contract/views";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { emptyKit, type KitDesign } from "@core/kit/kit";
import { FINDING_TITLES } from "@core/stack/findings/titles";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { see, sendSamplePicture, TroubleError, useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { Check, ChoiceField, Field, NumberField, TextField } from "../../ui/fields";
import type { StationProps } from "../../ui/framed";
import { KitPlan } from "../../ui/kit-plan";
import { troubleAt } from "../../ui/notice";
import { LevelGlyph } from "../../ui/signs";
import { BookForm, TwoColumns } from "./two-columns";

type View = StationProps<"books">["view"];
type Sample = Omit<SampleBrief, "kiln" | "stackCode" | "hasPicture">;

/** What was tried and what came of it: people choose "this look or that look" from here. */
export function SampleBook({ view, frame }: StationProps<"books">) {
	const [open, setOpen] = useState<Sample | undefined>();
	const mayEdit = frame.person.role === "instructor";
	const today = frame.now.slice(0, 10);
	return (
		<TwoColumns
			add={
				mayEdit && {
					label: "Keep a sample",
					onAdd: () =>
						setOpen({
							id: crypto.randomUUID(),
							name: "",
							document: emptyKit(),
							kilnId: view.kilns[0]?.id ?? null,
							level: "full",
							peakC: 804,
							holdMin: 10,
							firedOn: today,
							result: "",
							shows: [],
						}),
				}
			}
			list={
				<>
					{view.samples.length === 0 && (
						<p className="max-w-prose text-soft">
							No sample yet. Fire a small piece first, for example 40 mm of a striker on clear, and keep what came of it
							here.
						</p>
					)}
					<ul className="ruled">
						{view.samples.map((sample) => (
							<SampleRow
								key={sample.id}
								sample={sample}
								view={view}
								chosen={sample.id === open?.id}
								mayEdit={mayEdit}
								onOpen={() => setOpen(sample)}
							/>
						))}
					</ul>
				</>
			}
			open={
				open ? (
					<SampleForm key={open.id} sample={open} view={view} mayEdit={mayEdit} onDone={setOpen} />
				) : (
					<p className="text-soft">Make a sample first, and keep it with its notes.</p>
				)
			}
		/>
	);
}

interface RowProps {
	sample: SampleBrief;
	view: View;
	chosen: boolean;
	mayEdit: boolean;
	onOpen(): void;
}

function SampleRow({ sample, view, chosen, mayEdit, onOpen }: RowProps) {
	const figure = useFigure();
	const begin = () => {
		const kit: KitDesign = { ...sample.document, name: `After “${sample.name}”`, sampleId: sample.id };
		sessionStorage.setItem("zephyr-new-kit", JSON.stringify(kit));
		location.assign(`/kits/${crypto.randomUUID()}`);
	};
	return (
		<li
			id={sample.id}
			className={`grid grid-cols-[96px_96px_minmax(0,1fr)_auto] items-center gap-4 py-3 ${chosen ? "bg-pick" : ""}`}
		>
			<KitPlan design={sample.document} glasses={view.glasses} className="h-20 w-full" />
			{sample.hasPicture ? (
				<img
					src={`/api/samples/${sample.id}`}
					alt={`What came of ${sample.name}`}
					className="h-20 w-full rounded object-cover"
				/>
			) : (
				<span className="text-[13px] text-soft">no picture</span>
			)}
			<div className="min-w-0">
				<b className="text-[15px]">{sample.name}</b>
				<p className="figure flex flex-wrap items-center gap-x-2 text-soft">
					<LevelGlyph level={sample.level} /> {figure({ c: sample.peakC })} for {figure({ min: sample.holdMin })},{" "}
					{sample.kiln ?? "no kiln named"}, {sample.firedOn}
				</p>
				<p>{sample.result}</p>
				{sample.shows.length > 0 && (
					<p className="text-[13px] text-soft">
						shows {sample.shows.map((code) => FINDING_TITLES[code] ?? code).join(", ")}
					</p>
				)}
			</div>
			{mayEdit && (
				<div className="flex flex-col gap-1">
					<button type="button" className="btn btn-sm" onClick={onOpen}>
						Open
					</button>
					<button type="button" className="btn btn-sm" onClick={begin}>
						Kit from this
					</button>
				</div>
			)}
		</li>
	);
}

interface FormProps {
	sample: Sample;
	view: View;
	mayEdit: boolean;
	onDone(sample: Sample): void;
}

function SampleForm({ sample: start, view, mayEdit, onDone }: FormProps) {
	const [sample, setSample] = useState(start);
	const [picture, setPicture] = useState<File | undefined>();
	const [pictureError, setPictureError] = useState<TroubleError | null>(null);
	const queries = useQueryClient();
	const save = useAct("saveSample", async (_, { sampleId }) => {
		try {
			if (picture) await sendSamplePicture(sampleId, picture);
			setPictureError(null);
			await queries.invalidateQueries();
			onDone(sample);
		} catch (trouble) {
			if (trouble instanceof TroubleError) setPictureError(trouble);
		}
	});
	const set = (change: Partial<Sample>) => setSample((now) => ({ ...now, ...change }));
	const error = (field: string) => troubleAt(save.error, field);
	const takeStack = async (kitId: string) => {
		if (!kitId) return;
		const { kit } = await queries.fetchQuery({
			queryKey: ["kit", { id: kitId }],
			queryFn: () => see("kit", { id: kitId }),
		});
		setSample((now) => ({ ...now, document: kit.document, name: now.name || kit.document.name }));
	};
	return (
		<BookForm
			name="Sample"
			mayEdit={mayEdit}
			pending={save.isPending}
			saved={false}
			error={save.error ?? pictureError}
			ownErrors={["name", "peakC", "holdMin", "firedOn", "result", "parts"]}
			onSave={() => {
				const { id, ...fields } = sample;
				save.mutate({ sampleId: id, ...fields });
			}}
		>
			<TextField label="Name" value={sample.name} onChange={(name) => set({ name })} error={error("name")} />
			<ChoiceField
				label="Stack, taken from a kit"
				value=""
				onChange={(kitId) => void takeStack(kitId)}
				options={[
					{
						value: "",
						label:
							sample.document.parts.length > 0
								? `${sample.document.name}, ${sample.document.parts.length} parts`
								: "choose a kit",
					},
					...view.kits.map(({ id, name }) => ({ value: id, label: name })),
				]}
				error={troubleAt(save.error, "parts")}
			/>
			<div className="grid grid-cols-2 gap-3">
				<ChoiceField
					label="Kiln"
					value={sample.kilnId ?? ""}
					onChange={(kilnId) => set({ kilnId: kilnId || null })}
					options={[
						{ value: "", label: "not known" },
						...view.kilns.map(({ id, name }) => ({ value: id, label: name })),
					]}
				/>
				<ChoiceField
					label="Fuse level"
					value={sample.level}
					onChange={(level) => set({ level })}
					options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
				/>
				<NumberField
					kind="temperature"
					label="Peak"
					value={sample.peakC}
					error={error("peakC")}
					onChange={(c) => set({ peakC: c ?? Number.NaN })}
				/>
				<NumberField
					kind="count"
					label="Hold, minutes"
					value={sample.holdMin}
					error={error("holdMin")}
					onChange={(min) => set({ holdMin: min ?? Number.NaN })}
				/>
			</div>
			<TextField
				label="Fired on"
				type="date"
				value={sample.firedOn}
				onChange={(firedOn) => set({ firedOn })}
				error={error("firedOn")}
			/>
			<TextField
				label="What came of it"
				multiline
				value={sample.result}
				onChange={(result) => set({ result })}
				error={error("result")}
			/>
			<Field label="Picture">
				{({ id }) => (
					<input
						id={id}
						type="file"
						accept="image/jpeg,image/png,image/webp"
						className="file-input w-full"
						onChange={(event) => setPicture(event.target.files?.[0])}
					/>
				)}
			</Field>
			<details>
				<summary className="min-h-9 cursor-pointer font-semibold">What it shows ({sample.shows.length})</summary>
				<div className="grid grid-cols-2">
					{Object.entries(FINDING_TITLES).map(([code, title]) => (
						<Check
							key={code}
							label={title}
							checked={sample.shows.includes(code)}
							onChange={(on) =>
								set({ shows: on ? [...sample.shows, code] : sample.shows.filter((one) => one !== code) })
							}
						/>
					))}
				</div>
			</details>
		</BookForm>
	);
}
