import type { PieceBrief } from "@contract/pieces";
import { FUSE_LEVELS, type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import { asMadeAt, asMadeDiffers } from "@core/journey/as-made-differs";
import { type AsMade, GLUE_WORDS, GLUES, type Glue } from "@core/journey/events";
import { formatMinutes } from "@core/units/duration";
import { phraseText } from "@core/units/phrase";
import { useRef, useState } from "react";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { FileField, PHOTOS } from "../../forms/file-field";
import { Problems, Trouble } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { type TroubleError, upload } from "../../lib/api";
import { useHouse } from "../../lib/house";
import { useFigure, usePrefs } from "../../lib/prefs";
import { LevelGlyph } from "../../ui/signs";
import { unmeasured } from "../pieces/unmeasured";

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
	const [photo, setPhoto] = useState<File | null>(null);
	const [photoTrouble, setPhotoTrouble] = useState<TroubleError | null>(null);
	const [photoId] = useState(() => crypto.randomUUID());
	const photoSent = useRef(false); // our own photo is an event too: the piece has moved on by one
	const form = useActForm("handIn", {
		start: {
			pieceId: piece.id,
			seq: piece.seq,
			asMade: unmeasured(),
			glue: "whiteGlue" as Glue,
			level: piece.level,
		},
		schema: async () => (await import("@contract/pieces")).actions.handIn,
		sent: (values, id) => ({ ...values, eventId: id(), seq: values.seq + (photoSent.current ? 1 : 0) }),
		before: () => sendPhotoOnce(),
		done: onDone,
	});
	const { level, glue, asMade } = form.values;
	const dryMin = useHouse().customs.dryMin[glue];
	const { widthMm, heightMm, thickestMm, thinnestMm } = asMade;
	const isMeasured = [widthMm, heightMm, thinnestMm].every((mm) => mm > 0) && thickestMm >= thinnestMm;

	/** Once: a photo already sent is not sent again with the next try. */
	const sendPhotoOnce = async (): Promise<boolean> => {
		if (!photo || photoSent.current) return true;
		try {
			await upload("addPhoto", { pieceId: piece.id, eventId: photoId }, photo);
			photoSent.current = true;
			return true;
		} catch (error) {
			setPhotoTrouble(error as TroubleError);
			return false;
		}
	};

	const length = (path: "widthMm" | "heightMm" | "thickestMm" | "thinnestMm", label: string, first = false) => (
		<NumberField kind="length" label={label} autoFocus={first} {...form.number(`asMade.${path}`)} />
	);

	return (
		<form className="flex flex-col gap-3" onSubmit={form.submit} noValidate aria-label={`Hand in ${piece.code}`}>
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
				<NumberField kind="mass" label="Weight, if weighed" {...form.field("asMade.massG")} />
				<ChoiceField
					label="Fuse level"
					options={FUSE_LEVELS.map((value) => ({ value, label: LEVEL_WORDS[value] }))}
					{...form.field("level")}
				/>
			</div>
			{isMeasured && <AsItBehaves piece={piece} made={asMade} level={level} />}
			<TextField label="What changed from the kit" multiline {...form.field("asMade.changed")} />
			<ChoiceField
				label="Held with"
				options={GLUES.map((value) => ({ value, label: GLUE_WORDS[value] }))}
				hint={dryMin === 0 ? "May be loaded at once" : `Dries ${formatMinutes(dryMin)} before it may be loaded`}
				{...form.field("glue")}
			/>
			<FileField keeps camera label="Photo" accept={PHOTOS} onFile={setPhoto} onNone={() => setPhoto(null)} />
			<Trouble error={photoTrouble} />
			<Problems problems={form.others()} />
			{form.refusal?.status === 409 && (
				<button
					type="button"
					className="btn btn-sm"
					onClick={() => form.set("seq", piece.seq - (photoSent.current ? 1 : 0))}
				>
					I have looked; use what I typed
				</button>
			)}
			<div className="foot bg-base-100 flex gap-2">
				<button type="submit" className="btn btn-primary grow" disabled={form.pending}>
					{form.pending ? "Saving …" : "Hand in"}
				</button>
				<button type="button" className="btn" onClick={onCancel}>
					Back
				</button>
			</div>
		</form>
	);
}

/** What the piece as it was made does at its level: as the kit does, or otherwise, with the difference. */
function AsItBehaves({ piece, made, level }: { piece: PieceBrief; made: AsMade; level: FuseLevel }) {
	const figure = useFigure();
	const { units } = usePrefs();
	const differs = piece.planned ? asMadeDiffers(piece.planned, made, level) : [];
	return (
		<div className="border-y border-line py-2" role="status">
			<p className="flex flex-wrap items-center gap-x-2">
				<LevelGlyph level={level} />
				<span>
					Anneals as <b className="figure">{figure({ mm: asMadeAt(piece.planned, made, level).effectiveMm })}</b>
					{piece.planned && differs.length === 0 && ", as the kit does"}
				</span>
			</p>
			{differs.map((sentence) => (
				<p key={phraseText(sentence, units)} className="mt-1 font-bold">
					{phraseText(sentence, units)}
				</p>
			))}
		</div>
	);
}
