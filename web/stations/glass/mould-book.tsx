import type { Kept } from "@contract/glass";
import { isWornOut, MOULD_KINDS, type Mould, RELEASES, renewAfterOf } from "@core/kit/mould";
import { counted } from "@core/units/counted";
import { useState } from "react";
import { Check } from "../../forms/check";
import { ChoiceField, NumberField, TextField } from "../../forms/fields";
import { useActForm } from "../../forms/use-act-form";
import { useFigure } from "../../lib/prefs";
import type { StationProps } from "../../ui/frame/framed";
import { LazyImport } from "../../ui/lazy-import";
import { PutAway, useAway } from "../../ui/put-away";
import { sizeWords } from "../../ui/size-words";
import { BookForm, plain, shortId, TwoColumns } from "../../ui/two-columns";
import { NEW_MOULD } from "./new-mould";

/** Moulds and frames: opening, depth, and how fit they are for the next firing. */
export function MouldBook({ view, frame }: StationProps<"books">) {
	const figure = useFigure();
	const [open, setOpen] = useState<Kept<Mould> | undefined>();
	const mayEdit = frame.person.role === "instructor";
	const { listed, toggle } = useAway(view.moulds);
	return (
		<TwoColumns
			away={toggle}
			add={mayEdit && { label: "Add a mould or frame", onAdd: () => setOpen({ ...NEW_MOULD, id: shortId() }) }}
			list={
				<ul className="ruled">
					{listed.map((mould) => (
						<li key={mould.id}>
							<button
								type="button"
								aria-pressed={mould.id === open?.id}
								className={`grid min-h-16 w-full grid-cols-[90px_1.4fr_1fr_1fr] items-center gap-4 py-2 text-left ${mould.id === open?.id ? "bg-pick" : "hover:bg-base-100"}`}
								onClick={() => setOpen(mould)}
							>
								<MouldDrawing mould={mould} />
								<span>
									<b className="block text-[15px]">{mould.name}</b>
									<span className="text-soft">
										{[mould.kind, mould.texture, mould.count > 1 && `${mould.count} alike`, mould.retired && "put away"]
											.filter(Boolean)
											.join(", ")}
									</span>
								</span>
								<span className="figure">
									<b>
										{sizeWords(mould.opening === "round" ? [mould.widthMm] : [mould.widthMm, mould.heightMm], figure)}
									</b>
									<span className="block text-soft">{figure({ mm: mould.depthMm })} deep</span>
								</span>
								<span
									className={
										mould.release === "bare" && mould.kind !== "frame" ? "font-semibold text-warning" : "text-soft"
									}
								>
									{mould.kind === "frame"
										? "not fired"
										: `${mould.release}, ${counted(mould.usesSince, "firing")} since${isWornOut(mould) ? ", to be renewed" : ""}`}
								</span>
							</button>
						</li>
					))}
				</ul>
			}
			open={
				open ? (
					<MouldForm
						key={open.id}
						mould={open}
						retired={view.moulds.find(({ id }) => id === open.id)?.retired}
						mayEdit={mayEdit}
						onDone={setOpen}
					/>
				) : (
					<div className="flex flex-col gap-3">
						<p className="text-soft">Measure the mould first: the blank is cut from the mould’s size.</p>
						{mayEdit && (
							<LazyImport
								label="Take a list as CSV …"
								load={async () => (await import("./mould-import")).default}
								with={{ known: view.moulds }}
							/>
						)}
					</div>
				)
			}
		/>
	);
}

/** Opening and depth as a section, one scale for all. */
function MouldDrawing({ mould }: { mould: Mould }) {
	const scale = 80 / 220;
	const [w, d] = [Math.min(80, mould.widthMm * scale), Math.max(3, Math.min(34, mould.depthMm * scale))];
	const x = (90 - w) / 2;
	const shape =
		mould.kind === "drape"
			? `M${x} 38Q45 ${38 - d * 2} ${x + w} 38Z`
			: mould.kind === "stand"
				? `M${x} ${38 - d}Q${x + w * 0.25} ${38 + d * 0.6} ${x + w / 2} ${38 - d / 2}Q${x + w * 0.75} ${38 - d * 2} ${x + w} 38V40H${x}Z`
				: mould.kind === "frame"
					? `M${x - 6} 30h6v8h-6zM${x + w} 30h6v8h-6z`
					: `M${x - 5} ${38 - d}H${x}Q${x + 2} 36 ${x + w * 0.25} 36H${x + w * 0.75}Q${x + w - 2} 36 ${x + w} ${38 - d}h5V40H${x - 5}Z`;
	return (
		<svg width="90" height="44" viewBox="0 0 90 44" aria-hidden="true" className="fill-bench stroke-base-content/60">
			<path d={shape} strokeWidth="1.2" />
		</svg>
	);
}

function MouldForm({
	mould: start,
	retired,
	mayEdit,
	onDone,
}: {
	mould: Kept<Mould>;
	/** Undefined while it is not in the book. */
	retired: boolean | undefined;
	mayEdit: boolean;
	onDone(mould: Kept<Mould> | undefined): void;
}) {
	const { revision, retired: _, ...row } = start;
	const form = useActForm("saveMould", {
		start: { mould: row, revision },
		schema: async () => (await import("@contract/glass")).actions.saveMould,
		// The studio goes on counting firings: they are sent only where somebody counted anew.
		sent({ mould: { usesSince, ...typed }, revision }) {
			const counted = usesSince === start.usesSince && revision > 0 ? {} : { usesSince };
			return { mould: { ...typed, ...counted }, revision };
		},
		done: (kept, { mould }) => onDone({ ...start, ...mould, revision: kept.revision }),
	});
	const { mould } = form.values;
	const length = (label: string, key: "widthMm" | "heightMm" | "depthMm") => (
		<NumberField kind="length" label={label} {...form.number(`mould.${key}`)} />
	);
	return (
		<BookForm
			name="Mould"
			mayEdit={mayEdit}
			form={form}
			below={
				mayEdit &&
				retired !== undefined && (
					<PutAway what="mould" id={start.id} name={start.name} retired={retired} onStruck={() => onDone(undefined)} />
				)
			}
		>
			<TextField label="Name" {...form.field("mould.name")} />
			<div className="grid grid-cols-2 gap-3">
				<ChoiceField label="Kind" options={plain(MOULD_KINDS)} {...form.field("mould.kind")} />
				<ChoiceField
					label="Opening"
					options={plain<Mould["opening"]>(["rectangle", "round"])}
					{...form.field("mould.opening")}
				/>
				{length(mould.opening === "round" ? "Across" : "Width", "widthMm")}
				{length(mould.opening === "round" ? "Across, other way" : "Height", "heightMm")}
				{length("Depth", "depthMm")}
				<NumberField kind="temperature" label="Bears up to" {...form.number("mould.maxC")} />
				<NumberField
					kind="count"
					label="How many alike"
					{...form.number("mould.count")}
					hint="So many pieces can be on it at once."
				/>
			</div>
			<TextField label="Texture" {...form.field("mould.texture")} />
			<Check label="has a vent hole" checked={mould.vented} onChange={(vented) => form.set("mould.vented", vented)} />
			<ChoiceField label="Release" options={plain(RELEASES)} {...form.field("mould.release")} />
			<div className="flex items-end gap-2">
				<div className="grow">
					<NumberField kind="count" label="Firings since it was renewed" {...form.number("mould.usesSince")} />
				</div>
				<div className="grow">
					<NumberField
						kind="count"
						label="Renewed after"
						value={mould.renewAfter ?? null}
						hint={mould.renewAfter ? undefined : `empty: ${renewAfterOf({ release: mould.release })}`}
						onChange={(after) => form.set("mould.renewAfter", after)}
					/>
				</div>
				<button
					type="button"
					className="btn"
					onClick={() => form.set("mould", { ...mould, release: "washed", usesSince: 0 })}
				>
					Washed anew
				</button>
			</div>
		</BookForm>
	);
}
