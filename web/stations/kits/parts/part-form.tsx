import { choosable, type Glass, type GlassForm } from "@core/glass/glass";
import { dotOfSquare, LARGEST_DOT_SQUARE_MM, squareForDot } from "@core/kit/dot";
import {
	type KitPart,
	METALS,
	type PartKind,
	type PartOf,
	WALL_STUFFS,
	type WallStuff,
	wallStuffOf,
} from "@core/kit/kit";
import { canStand } from "@core/kit/plan";
import { useMemo } from "react";
import { ChoiceField, NumberField, TextField } from "../../../forms/fields";
import { useFigure } from "../../../lib/prefs";
import { useDraft } from "../draft";
import { FillFields } from "./fill-fields";
import { PointsField } from "./points-field";
import { ShapeFields } from "./shape-fields";

interface Props {
	part: KitPart;
	glasses: readonly Glass[];
	onChange(part: KitPart): void;
	errorAt(field: string): string | undefined;
}

const FORMS: Partial<Record<PartKind, readonly GlassForm[]>> = {
	sheet: ["sheet"],
	thread: ["stringer", "ribbon"],
	grains: ["frit"],
	lump: ["sheet", "cane", "frit"],
};

const isGlass = ({ kind }: KitPart): boolean => kind in FORMS || kind === "component";

/** One part with all its sizes: what it is, of what, where it lies. */
export function PartForm({ part, glasses, onChange, errorAt }: Props) {
	const route = useDraft(({ document }) => document.route);
	const set = (change: object) => onChange({ ...part, ...change } as KitPart);
	const length = (label: string, key: string, value: number) => (
		<NumberField
			kind="length"
			compact
			label={label}
			value={value}
			error={errorAt(key)}
			onChange={(mm) => set({ [key]: mm ?? Number.NaN })}
		/>
	);
	return (
		<div className="grid grid-cols-2 gap-x-3 gap-y-2">
			<TextField label="Name" value={part.name} onChange={(name) => set({ name })} error={errorAt("name")} compact />
			{"shape" in part && <ShapeFields shape={part.shape} onChange={(shape) => set({ shape })} errorAt={errorAt} />}
			{"glassId" in part && (
				<div className="col-span-2">
					<GlassChoice
						label="Glass"
						glasses={glasses.filter(({ form }) => FORMS[part.kind]?.includes(form))}
						value={part.glassId}
						onChange={(glassId) => set({ glassId })}
					/>
				</div>
			)}
			<KindFields part={part} glasses={glasses} set={set} length={length} errorAt={errorAt} />
			<NumberField
				kind="count"
				compact
				label="Layer, shelf is 1"
				value={part.layer + 1}
				error={errorAt("layer")}
				onChange={(layer) => set({ layer: (layer ?? Number.NaN) - 1 })}
			/>
			<NumberField
				kind="degrees"
				compact
				label="Turned"
				value={part.turnDeg}
				error={errorAt("turnDeg")}
				onChange={(turnDeg) => set({ turnDeg: turnDeg ?? Number.NaN })}
			/>
			{length("Across", "xMm", part.xMm)}
			{length("Up", "yMm", part.yMm)}
			{isGlass(part) && (
				<div className="col-span-2">
					<Tick
						label="fired loose, a piece by itself"
						checked={part.loose ?? false}
						onChange={(on) => set({ loose: on || undefined })}
					/>
				</div>
			)}
			{route.length > 1 && (
				<ChoiceField
					compact
					label="Laid before"
					value={String(part.firing)}
					error={errorAt("firing")}
					onChange={(firing) => set({ firing: Number(firing) })}
					options={route.map((step, i) => ({ value: String(i), label: `firing ${i + 1}, ${step.level}` }))}
				/>
			)}
		</div>
	);
}

interface KindProps {
	part: KitPart;
	glasses: readonly Glass[];
	set(change: object): void;
	length(label: string, key: string, value: number): React.ReactNode;
	errorAt(field: string): string | undefined;
}

/** What only this kind of part has. */
function KindFields({ part, glasses, set, length, errorAt }: KindProps) {
	const glass = glasses.find((one) => "glassId" in part && one.id === part.glassId);
	switch (part.kind) {
		case "sheet":
			return (
				<div className="col-span-2">
					<Tick
						label="face down (coating or texture towards the shelf)"
						checked={part.faceDown}
						onChange={(faceDown) => set({ faceDown })}
					/>
					{canStand(part.shape) && (
						<Tick
							label="stood on edge, as high as it is cut wide"
							checked={part.onEdge ?? false}
							onChange={(on) => set({ onEdge: on || undefined })}
						/>
					)}
					<Tick
						label="bought cut to this shape"
						checked={part.bought ?? false}
						onChange={(on) => set({ bought: on || undefined })}
					/>
					{part.loose && part.shape.kind === "square" && part.shape.sideMm <= LARGEST_DOT_SQUARE_MM && glass && (
						<DotOfSquare sideMm={part.shape.sideMm} thicknessMm={glass.thicknessMm} />
					)}
				</div>
			);
		case "thread":
			return (
				<div className="col-span-2">
					<PointsField
						label="Line"
						points={part.points}
						error={errorAt("points")}
						onChange={(points) => set({ points })}
					/>
				</div>
			);
		case "grains":
			return <FillFields part={part} error={errorAt("gPerCm2")} onChange={(gPerCm2) => set({ gPerCm2 })} />;
		case "lump":
			return (
				<>
					<ChoiceField
						compact
						label="Kind"
						value={part.form}
						onChange={(form) => set({ form })}
						options={[
							{ value: "dome", label: "rounded dot" },
							{ value: "slice", label: "cane slice" },
						]}
					/>
					{length("Diameter", "diameterMm", part.diameterMm)}
					{length("Height", "heightMm", part.heightMm)}
					{part.form === "dome" && (
						<div className="col-span-2">
							<Tick
								label="its top is ground flat"
								checked={part.ground ?? false}
								onChange={(on) => set({ ground: on || undefined })}
							/>
							{glass?.form === "sheet" && <CutForDot diameterMm={part.diameterMm} thicknessMm={glass.thicknessMm} />}
						</div>
					)}
				</>
			);
		case "foil":
			return <MetalChoice value={part.metal} set={set} />;
		case "loop":
			return (
				<>
					<MetalChoice value={part.metal} set={set} />
					{length("Wire", "wireMm", part.wireMm)}
					{length("Eye", "eyeMm", part.eyeMm)}
					{length("Tail", "tailMm", part.tailMm)}
				</>
			);
		case "fibre":
			return (
				<>
					<ChoiceField
						compact
						label="Use"
						value={part.use}
						onChange={(use) => set({ use })}
						options={[
							{ value: "support", label: "under a part" },
							{ value: "insert", label: "inside, a pocket" },
						]}
					/>
					{length("Fibre height", "heightMm", part.heightMm)}
				</>
			);
		case "dam":
			return <WallFields part={part} set={set} length={length} />;
		case "component":
			return null;
	}
}

/** What a dot is cut from: the square of sheet, and how high it ends. */
function CutForDot({ diameterMm, thicknessMm }: { diameterMm: number; thicknessMm: number }) {
	const figure = useFigure();
	const square = useMemo(() => (diameterMm > 0 ? squareForDot(diameterMm, thicknessMm) : 0), [diameterMm, thicknessMm]);
	if (square <= 0) return null;
	return (
		<p className="text-soft">
			A square of {figure({ mm: square })} becomes such a dot, about{" "}
			{figure({ mm: dotOfSquare(square, thicknessMm).heightMm })} high.
		</p>
	);
}

/** The dot that a small loose square becomes at full. */
function DotOfSquare({ sideMm, thicknessMm }: { sideMm: number; thicknessMm: number }) {
	const figure = useFigure();
	const dot = useMemo(() => (sideMm > 0 ? dotOfSquare(sideMm, thicknessMm) : undefined), [sideMm, thicknessMm]);
	if (!dot) return null;
	return (
		<p className="text-soft">
			By itself at full it becomes a dot of {figure({ mm: dot.diameterMm })}, about {figure({ mm: dot.heightMm })} high.
		</p>
	);
}

const Tick = (props: { label: string; checked: boolean; onChange(on: boolean): void }) => (
	<label className="flex min-h-9 items-center gap-2">
		<input
			type="checkbox"
			className="checkbox checkbox-sm"
			checked={props.checked}
			onChange={(event) => props.onChange(event.target.checked)}
		/>
		{props.label}
	</label>
);

interface WallProps extends Pick<KindProps, "set" | "length"> {
	part: PartOf<"dam">;
}

/** A wall by what it is of, how it stands and what lines it. */
const WallFields = ({ part, set, length }: WallProps) => (
	<>
		{length("Wall height", "heightMm", part.heightMm)}
		<ChoiceField
			compact
			label="Wall of"
			value={wallStuffOf(part)}
			onChange={(of) => set({ of })}
			options={WALL_STUFFS.map((value) => ({ value, label: WALL_WORDS[value] }))}
		/>
		{part.shape.kind !== "ring" && (
			<NumberField
				kind="length"
				compact
				label="Stands round it, thick"
				value={part.wallMm ?? 0}
				hint={part.wallMm ? undefined : "0: the outline is the wall itself"}
				onChange={(mm) => set({ wallMm: mm || undefined })}
			/>
		)}
		<NumberField
			kind="length"
			compact
			label="Lining"
			value={part.liningMm ?? 0}
			onChange={(mm) => set({ liningMm: mm ?? undefined })}
		/>
	</>
);

const WALL_WORDS: Record<WallStuff, string> = { steel: "steel", brick: "kiln brick", board: "fibre board" };

const MetalChoice = ({ value, set }: { value: string; set(change: object): void }) => (
	<ChoiceField
		compact
		label="Metal"
		value={value}
		onChange={(metal) => set({ metal })}
		options={METALS.map((metal) => ({ value: metal, label: metal }))}
	/>
);

/** A glass of the book, with family and thickness. */
export function GlassChoice(props: {
	label: string;
	glasses: readonly Glass[];
	value: string;
	onChange(id: string): void;
}) {
	const figure = useFigure();
	return (
		<ChoiceField
			compact
			label={props.label}
			value={props.value}
			onChange={props.onChange}
			options={choosable(props.glasses, props.value).map(({ id, name, familyId, thicknessMm, form, grade }) => ({
				value: id,
				label:
					form === "frit"
						? `${name} · ${familyId} · ${grade}`
						: `${name} · ${familyId} · ${figure({ mm: thicknessMm })}`,
			}))}
		/>
	);
}
