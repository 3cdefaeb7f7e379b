import type { SampleBrief } from "@contract/glass";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { emptyKit } from "@core/kit/kit";
import { FINDING_CODES, FINDING_TITLES } from "@core/stack/findings/titles";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { FileField, PHOTOS } from "../../forms/file-field";
import { useActForm } from "../../forms/use-act-form";
import { see, TroubleError, upload } from "../../lib/api";
import { beginKitFrom } from "../../lib/begin-kit";
import { useFigure } from "../../lib/prefs";
import { useToday } from "../../lib/use-today";
import type { StationProps } from "../../ui/frame/framed";
import { KitPicture } from "../../ui/kit-picture";
import { PutAway, useAway } from "../../ui/put-away";
import { LevelGlyph } from "../../ui/signs";
import { BookForm, TwoColumns } from "../../ui/two-columns";

type View = StationProps<"books">["view"];
type Sample = Omit<SampleBrief, "kiln" | "stackCode" | "hasPicture" | "plan" | "retired">;

/** What was tried and what came of it: people choose "this look or that look" from here. */
export function SampleBook({ view, frame }: StationProps<"books">) {
	const [open, setOpen] = useState<Sample | undefined>();
	const mayEdit = frame.person.role === "instructor";
	const { listed, toggle } = useAway(view.samples);
	const today = useToday();
	return (
		<TwoColumns
			away={toggle}
			add={
				mayEdit && {
					label: "Keep a sample",
					onAdd: () =>
						setOpen({
							id: crypto.randomUUID(),
							revision: 0,
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
						{listed.map((sample) => (
							<SampleRow
								key={sample.id}
								sample={sample}
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
	chosen: boolean;
	mayEdit: boolean;
	onOpen(): void;
}

function SampleRow({ sample, chosen, mayEdit, onOpen }: RowProps) {
	const figure = useFigure();
	const begin = () => beginKitFrom({ ...sample.document, name: `After “${sample.name}”`, sampleId: sample.id });
	return (
		<li
			id={sample.id}
			className={`grid grid-cols-[96px_96px_minmax(0,1fr)_auto] items-center gap-4 py-3 ${chosen ? "bg-pick" : ""}`}
		>
			<KitPicture picture={sample.plan} className="h-20 w-full" />
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
					{sample.retired && ", put away"}
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
	onDone(sample: Sample | undefined): void;
}

function SampleForm({ sample: start, view, mayEdit, onDone }: FormProps) {
	const { id: sampleId, revision, name, document, kilnId, level, peakC, holdMin, firedOn, result, shows } = start;
	const kept = view.samples.find(({ id }) => id === sampleId);
	const [picture, setPicture] = useState<File | undefined>();
	const [pictureError, setPictureError] = useState<TroubleError | null>(null);
	const queries = useQueryClient();
	const form = useActForm("saveSample", {
		start: { sampleId, revision, name, document, kilnId, level, peakC, holdMin, firedOn, result, shows },
		schema: async () => (await import("@contract/glass")).actions.saveSample,
		async done(kept, { sampleId, ...sample }) {
			try {
				if (picture) await upload("addSamplePicture", { sampleId }, picture);
				setPictureError(null);
				onDone({ ...start, ...sample, revision: kept.revision });
			} catch (trouble) {
				if (trouble instanceof TroubleError) setPictureError(trouble);
			}
		},
	});
	const sample = form.values;
	const takeStack = async (kitId: string) => {
		if (!kitId) return;
		const { kit } = await queries.fetchQuery({
			queryKey: ["kit", { id: kitId }],
			queryFn: () => see("kit", { id: kitId }),
		});
		form.set("document", kit.document);
		if (!sample.name) form.set("name", kit.document.name);
	};
	return (
		<BookForm
			name="Sample"
			mayEdit={mayEdit}
			form={form}
			more={pictureError}
			below={
				mayEdit &&
				kept && (
					<PutAway
						what="sample"
						id={kept.id}
						name={kept.name}
						retired={kept.retired}
						onStruck={() => onDone(undefined)}
					/>
				)
			}
		>
			<TextField label="Name" {...form.field("name")} />
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
				error={form.errorAt("document.parts")}
			/>
			<div className="grid grid-cols-2 gap-3">
				<ChoiceField
					label="Kiln"
					value={sample.kilnId ?? ""}
					onChange={(kilnId) => form.set("kilnId", kilnId || null)}
					options={[
						{ value: "", label: "not known" },
						...view.kilns.map(({ id, name }) => ({ value: id, label: name })),
					]}
				/>
				<ChoiceField
					label="Fuse level"
					{...form.field("level")}
					options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
				/>
				<NumberField kind="temperature" label="Peak" {...form.number("peakC")} />
				<NumberField kind="count" label="Hold, minutes" {...form.number("holdMin")} />
			</div>
			<TextField label="Fired on" type="date" {...form.field("firedOn")} />
			<TextField label="What came of it" multiline {...form.field("result")} />
			<FileField keeps label="Picture" accept={PHOTOS} onFile={setPicture} onNone={() => setPicture(undefined)} />
			<details>
				<summary className="min-h-9 cursor-pointer font-semibold">What it shows ({sample.shows.length})</summary>
				<div className="grid grid-cols-2">
					{FINDING_CODES.map((code) => (
						<Check
							key={code}
							label={FINDING_TITLES[code]}
							checked={sample.shows.includes(code)}
							onChange={(on) =>
								form.set("shows", on ? [...sample.shows, code] : sample.shows.filter((one) => one !== code))
							}
						/>
					))}
				</div>
			</details>
		</BookForm>
	);
}
