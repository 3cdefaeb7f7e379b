import type { ActionInput } from "@contract/actions";
import { handIn as handInSchema } from "@contract/hand-in";
import type { PieceBrief } from "@contract/views";
import { FUSE_LEVELS, LEVEL_WORDS } from "@core/firing/level";
import { DRY_MIN, GLUE_WORDS, GLUES } from "@core/journey/events";
import { effectiveThicknessMm } from "@core/stack/effective-thickness";
import { suggestLevel } from "@core/stack/suggest-level";
import { formatMinutes } from "@core/units/duration";
import { zodResolver } from "@hookform/resolvers/zod";
import { useRef, useState } from "react";
import { Controller, useForm } from "react-hook-form";
import type { z } from "zod";
import { sendPhoto, type TroubleError, useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";
import { ChoiceField, NumberField, TextField } from "../../ui/fields";
import { Trouble } from "../../ui/notice";
import { LevelGlyph } from "../../ui/signs";

type Values = ActionInput<"handIn">;

/** Measures the student's piece as it really is, and decides again which level it belongs to. One schema with the server. */
export function HandInForm({
	piece,
	name,
	onDone,
	onCancel,
}: {
	piece: PieceBrief;
	name: string;
	onDone(): void;
	onCancel(): void;
}) {
	const figure = useFigure();
	const [photo, setPhoto] = useState<File | null>(null);
	const [photoTrouble, setPhotoTrouble] = useState<TroubleError | null>(null);
	const [sending, setSending] = useState(false);
	const photoId = useRef(crypto.randomUUID());
	const photoSent = useRef(false); // our own photo is an event too: the piece has moved on by one
	const handIn = useAct("handIn");
	const { control, handleSubmit, watch, setValue } = useForm<Values>({
		resolver: zodResolver(handInSchema as unknown as z.ZodType<Values, Values>),
		defaultValues: {
			pieceId: piece.id,
			eventId: crypto.randomUUID(),
			seq: piece.seq,
			asMade: {
				widthMm: Number.NaN,
				heightMm: Number.NaN,
				thickestMm: Number.NaN,
				thinnestMm: Number.NaN,
				massG: null,
				changed: "",
			},
			glue: "whiteGlue",
			level: piece.level,
		},
	});
	const [thickest, thinnest, level, glue] = [
		watch("asMade.thickestMm"),
		watch("asMade.thinnestMm"),
		watch("level"),
		watch("glue"),
	];
	const measured = thickest > 0 && thinnest > 0 && thickest >= thinnest;
	const suggested = measured ? suggestLevel(thickest, thinnest) : null;

	/** Once: a photo already sent is not sent again with the next try. */
	const sendPhotoOnce = async (): Promise<boolean> => {
		if (!photo || photoSent.current) return true;
		try {
			await sendPhoto(piece.id, photoId.current, photo);
			photoSent.current = true;
			return true;
		} catch (error) {
			setPhotoTrouble(error as TroubleError);
			return false;
		}
	};

	const submit = handleSubmit(async (values) => {
		setSending(true);
		setPhotoTrouble(null);
		if (await sendPhotoOnce()) {
			const seq = values.seq + (photoSent.current ? 1 : 0);
			await handIn.mutateAsync({ ...values, seq }).then(onDone, () => undefined);
		}
		setSending(false);
	});

	const length = (path: "widthMm" | "heightMm" | "thickestMm" | "thinnestMm", label: string, first = false) => (
		<Controller
			control={control}
			name={`asMade.${path}`}
			render={({ field, fieldState }) => (
				<NumberField
					kind="length"
					label={label}
					autoFocus={first}
					value={Number.isNaN(field.value) ? null : field.value}
					onChange={(mm) => field.onChange(mm ?? Number.NaN)}
					error={fieldState.error?.message}
				/>
			)}
		/>
	);

	return (
		<form className="flex flex-col gap-3" onSubmit={submit} noValidate aria-label={`Hand in ${piece.code}`}>
			<div>
				<h1 className="text-xl">
					Hand in <span className="figure tracking-wide">{piece.code}</span>
				</h1>
				<p className="text-soft">
					{name}, {piece.kit}, planned <span className="figure">{piece.stackCode}</span>
				</p>
			</div>
			<div className="grid grid-cols-2 gap-3">
				{length("widthMm", "Width", true)}
				{length("heightMm", "Height")}
				{length("thickestMm", "Thickest point")}
				{length("thinnestMm", "Thinnest point")}
				<Controller
					control={control}
					name="asMade.massG"
					render={({ field, fieldState }) => (
						<NumberField
							kind="mass"
							label="Weight, if weighed"
							value={field.value}
							onChange={field.onChange}
							error={fieldState.error?.message}
						/>
					)}
				/>
				<Controller
					control={control}
					name="level"
					render={({ field }) => (
						<ChoiceField
							label="Fuse level"
							value={field.value}
							onChange={field.onChange}
							options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
						/>
					)}
				/>
			</div>
			{suggested && (
				<p className="flex flex-wrap items-center gap-x-2 border-y border-line py-2">
					<span>
						Anneals as <b className="figure">{figure({ mm: effectiveThicknessMm(thickest, thinnest, level) })}</b> and
						is usually fired to
					</span>
					<LevelGlyph level={suggested} />
					{suggested !== level && (
						<button type="button" className="btn btn-sm" onClick={() => setValue("level", suggested)}>
							Take it
						</button>
					)}
				</p>
			)}
			<Controller
				control={control}
				name="asMade.changed"
				render={({ field, fieldState }) => (
					<TextField
						label="What changed from the kit"
						value={field.value}
						onChange={field.onChange}
						error={fieldState.error?.message}
						multiline
					/>
				)}
			/>
			<Controller
				control={control}
				name="glue"
				render={({ field }) => (
					<ChoiceField
						label="Held with"
						value={field.value}
						onChange={field.onChange}
						options={GLUES.map((value) => ({ value, label: GLUE_WORDS[value] }))}
						hint={
							DRY_MIN[glue] === 0
								? "May be loaded at once"
								: `Dries ${formatMinutes(DRY_MIN[glue])} before it may be loaded`
						}
					/>
				)}
			/>
			<label className="flex flex-col gap-1">
				<span className="font-semibold">Photo</span>
				<input
					type="file"
					accept="image/jpeg,image/png,image/webp"
					capture="environment"
					className="file-input h-11 w-full"
					onChange={(event) => setPhoto(event.target.files?.[0] ?? null)}
				/>
			</label>
			<Trouble error={photoTrouble} />
			<Trouble error={handIn.error} />
			{handIn.error?.status === 409 && (
				<button
					type="button"
					className="btn btn-sm"
					onClick={() => setValue("seq", piece.seq - (photoSent.current ? 1 : 0))}
				>
					I have looked; use what I typed
				</button>
			)}
			<div className="foot bg-base-100 flex gap-2">
				<button type="submit" className="btn btn-primary grow" disabled={sending}>
					{sending ? "Saving …" : "Hand in"}
				</button>
				<button type="button" className="btn" onClick={onCancel}>
					Back
				</button>
			</div>
		</form>
	);
}
