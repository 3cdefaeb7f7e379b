import { type CutShape, SHAPE_KINDS } from "@core/geometry/shape";
import { ChoiceField, NumberField } from "../../../forms/fields";
import { SHAPE_WORDS } from "../../../ui/part-words";
import { USUAL_SHAPE } from "./new-part";
import { PointsField } from "./points-field";

const SIZE_WORDS: Record<string, string> = {
	widthMm: "Width",
	heightMm: "Height",
	sideMm: "Side",
	lengthMm: "Length",
	diameterMm: "Diameter",
	holeMm: "Hole",
};

/** Shape and typed sizes of one cut. */
export function ShapeFields(props: {
	shape: CutShape;
	onChange(shape: CutShape): void;
	errorAt(field: string): string | undefined;
}) {
	const { shape, onChange, errorAt } = props;
	return (
		<>
			<ChoiceField
				compact
				label="Shape"
				value={shape.kind}
				onChange={(kind) => onChange(kind === shape.kind ? shape : USUAL_SHAPE[kind])}
				options={SHAPE_KINDS.map((kind) => ({ value: kind, label: SHAPE_WORDS[kind] }))}
			/>
			{shape.kind === "polygon" && (
				<NumberField
					kind="count"
					compact
					label="Corners"
					value={shape.sides}
					error={errorAt("sides")}
					onChange={(sides) => onChange({ ...shape, sides: sides ?? Number.NaN })}
				/>
			)}
			{shape.kind === "outline" ? (
				<div className="col-span-2">
					<PointsField
						label="Outline"
						points={shape.points}
						error={errorAt("points")}
						onChange={(points) => onChange({ kind: "outline", points })}
					/>
				</div>
			) : (
				Object.entries(shape)
					.filter(([key]) => key.endsWith("Mm"))
					.map(([key, value]) => (
						<NumberField
							key={key}
							kind="length"
							compact
							label={shape.kind === "polygon" ? "Corner to corner" : (SIZE_WORDS[key] ?? key)}
							value={value as number}
							error={errorAt(key)}
							onChange={(mm) => onChange({ ...shape, [key]: mm ?? Number.NaN } as CutShape)}
						/>
					))
			)}
		</>
	);
}
