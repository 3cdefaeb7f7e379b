import { type CutShape, SHAPE_KINDS } from "@core/geometry/shape";
import type { Glass } from "@core/glass/glass";
import type { KitPart } from "@core/stack/kit";
import { ChoiceField, NumberField, TextField } from "../../ui/fields";

interface Props {
	part: KitPart;
	glasses: readonly Glass[];
	onChange(part: KitPart): void;
	onRemove(): void;
	onCopy(): void;
	errorAt(field: string): string | undefined;
}

const NEW_SHAPE: Record<CutShape["kind"], CutShape> = {
	rectangle: { kind: "rectangle", widthMm: 60, heightMm: 40 },
	square: { kind: "square", sideMm: 40 },
	strip: { kind: "strip", lengthMm: 80, widthMm: 10 },
	triangle: { kind: "triangle", widthMm: 40, heightMm: 40 },
	circle: { kind: "circle", diameterMm: 40 },
};

const SIZE_WORDS: Record<string, string> = {
	widthMm: "Width",
	heightMm: "Height",
	sideMm: "Side",
	lengthMm: "Length",
	diameterMm: "Diameter",
};

/** One cut of glass: shape, size, glass, layer, place. */
export function PartForm({ part, glasses, onChange, onRemove, onCopy, errorAt }: Props) {
	const set = (change: Partial<KitPart>) => onChange({ ...part, ...change });
	const number = (key: "xMm" | "yMm") => (value: number | null) => set({ [key]: value ?? Number.NaN });
	return (
		<div className="grid grid-cols-2 gap-x-3 gap-y-2 border-y border-line bg-pick px-4 py-3">
			<TextField label="Name" value={part.name} onChange={(name) => set({ name })} error={errorAt("name")} compact />
			<ChoiceField
				label="Shape"
				value={part.shape.kind}
				onChange={(kind) => set({ shape: NEW_SHAPE[kind] })}
				options={SHAPE_KINDS.map((kind) => ({ value: kind, label: kind === "triangle" ? "right triangle" : kind }))}
				compact
			/>
			{Object.entries(part.shape)
				.filter(([key]) => key !== "kind")
				.map(([key, value]) => (
					<NumberField
						key={key}
						kind="length"
						compact
						label={SIZE_WORDS[key] ?? key}
						value={value as number}
						error={errorAt(key)}
						onChange={(mm) => set({ shape: { ...part.shape, [key]: mm ?? Number.NaN } as CutShape })}
					/>
				))}
			<ChoiceField
				label="Glass"
				value={part.glassId}
				onChange={(glassId) => set({ glassId })}
				error={errorAt("glassId")}
				options={glasses.map(({ id, name, familyId, thicknessMm }) => ({
					value: id,
					label: `${name} · ${familyId} · ${thicknessMm} mm`,
				}))}
				compact
			/>
			<NumberField
				kind="count"
				compact
				label="Layer, shelf is 1"
				value={part.layer + 1}
				error={errorAt("layer")}
				onChange={(layer) => set({ layer: (layer ?? Number.NaN) - 1 })}
			/>
			<NumberField
				kind="length"
				compact
				label="Across"
				value={part.xMm}
				error={errorAt("xMm")}
				onChange={number("xMm")}
			/>
			<NumberField kind="length" compact label="Up" value={part.yMm} error={errorAt("yMm")} onChange={number("yMm")} />
			<NumberField
				kind="degrees"
				compact
				label="Turned"
				value={part.turnDeg}
				error={errorAt("turnDeg")}
				onChange={(turnDeg) => set({ turnDeg: turnDeg ?? Number.NaN })}
			/>
			<div className="flex items-end gap-2">
				<button type="button" className="btn btn-sm" onClick={onCopy}>
					Copy
				</button>
				<button type="button" className="btn btn-sm" onClick={onRemove}>
					Remove
				</button>
			</div>
		</div>
	);
}
