import { shapeAreaMm2 } from "@core/geometry/shape";
import { depthForGrams, gramsForDepth, gramsForWater } from "@core/kit/fill";
import type { PartOf } from "@core/kit/kit";
import { NumberField } from "../../../forms/fields";

interface Props {
	part: PartOf<"grains">;
	error: string | undefined;
	onChange(gPerCm2: number): void;
}

const PER_CM2_MM2 = 100;
const rounded = (value: number, places: number) => Number(value.toFixed(places));

/** How much is strewn or filled in: over an area, in all, by its depth, or by the water that fills the mould; each says the others. */
export function FillFields({ part, error, onChange }: Props) {
	const area = shapeAreaMm2(part.shape);
	const grams = (area / PER_CM2_MM2) * part.gPerCm2;
	const fill = (g: number | null) => onChange(g === null ? Number.NaN : rounded((g / area) * PER_CM2_MM2, 4));
	return (
		<>
			<NumberField
				kind="strewn"
				compact
				label="Strewn"
				value={rounded(part.gPerCm2, 4)}
				error={error}
				onChange={(gPerCm2) => onChange(gPerCm2 ?? Number.NaN)}
			/>
			<NumberField kind="mass" compact label="In all" value={rounded(grams, 1)} onChange={fill} />
			<NumberField
				kind="length"
				compact
				label="Deep once melted"
				value={rounded(depthForGrams(area, grams), 2)}
				onChange={(mm) => fill(mm === null ? null : gramsForDepth(area, mm))}
			/>
			<NumberField
				kind="mass"
				compact
				label="By water that fills it"
				value={rounded(grams / gramsForWater(1), 1)}
				onChange={(g) => fill(g === null ? null : gramsForWater(g))}
			/>
		</>
	);
}
