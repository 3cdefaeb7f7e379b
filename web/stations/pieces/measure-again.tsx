import type { PieceBrief } from "@contract/pieces";
import { useState } from "react";
import { NumberField } from "../../forms/fields";
import { Problems } from "../../forms/notice";
import { useActForm } from "../../forms/use-act-form";
import { unmeasured } from "./unmeasured";

/** A waiting piece is measured once more: glass was added since, or somebody doubts what was written down. */
export function MeasureAgain({ piece }: { piece: PieceBrief }) {
	const isAsked = piece.body?.from === "measuredBefore";
	const [open, setOpen] = useState(isAsked);
	return (
		<section aria-label="Measure again" className="mt-4">
			{isAsked && (
				<p className="border-l-4 border-warning px-3 py-1 font-semibold">
					Glass was added since it was measured: measure it now, with what was added. Until then it is fired as its kit
					says.
				</p>
			)}
			{open ? (
				<MeasureForm piece={piece} onDone={() => setOpen(false)} />
			) : (
				<button type="button" className="btn btn-sm mt-2 max-lg:h-11" onClick={() => setOpen(true)}>
					Measure it again …
				</button>
			)}
		</section>
	);
}

function MeasureForm({ piece, onDone }: { piece: PieceBrief; onDone(): void }) {
	const form = useActForm("measure", {
		start: {
			pieceId: piece.id,
			seq: piece.seq,
			asMade: unmeasured(piece.asMade?.changed),
		},
		schema: async () => (await import("@contract/pieces")).actions.measure,
		sent: (values, id) => ({ ...values, eventId: id() }),
		done: onDone,
	});
	return (
		<form className="mt-2 flex flex-col gap-3" noValidate onSubmit={form.submit}>
			<div className="grid grid-cols-2 gap-3">
				<NumberField kind="length" label="Width" {...form.number("asMade.widthMm")} />
				<NumberField kind="length" label="Height" {...form.number("asMade.heightMm")} />
				<NumberField kind="length" label="Thickest point" {...form.number("asMade.thickestMm")} />
				<NumberField kind="length" label="Thinnest point" {...form.number("asMade.thinnestMm")} />
			</div>
			<NumberField kind="mass" label="Weight, if weighed" {...form.field("asMade.massG")} />
			<Problems problems={form.others()} />
			<button type="submit" className="btn btn-primary self-start" disabled={form.pending}>
				{form.pending ? "Saving …" : "Write it down"}
			</button>
		</form>
	);
}
