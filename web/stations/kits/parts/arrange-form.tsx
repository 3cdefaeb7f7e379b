import { boundsOf } from "@core/geometry/bounds";
import type { Glass } from "@core/glass/glass";
import { type Arrangement, arranged, ringRadiusMm } from "@core/kit/arrange";
import { glassIdOf, type KitPart, LARGEST_KIT } from "@core/kit/kit";
import { landed } from "@core/kit/layer-on-top";
import { placedRegion } from "@core/kit/plan";
import { useState } from "react";
import { Check } from "../../../forms/check";
import { ChoiceField, NumberField } from "../../../forms/fields";
import { newId, useChosen, useDraft, useParts } from "../draft";

const KINDS = ["row", "grid", "ring", "mirror"] as const;
type Kind = (typeof KINDS)[number];
const KIND_WORDS: Record<Kind, string> = { row: "in a row", grid: "in a grid", ring: "in a ring", mirror: "mirrored" };

interface Values {
	count: number | null;
	rows: number | null;
	gapMm: number | null;
	overlapMm: number | null;
	halfStep: boolean;
	everySecondUp: boolean;
	axis: "upright" | "level";
	atMm: number | null;
	along: "across" | "up";
}

/** Repeats the chosen parts: rows and grids by the gap between, rings by the overlap of neighbours, mirrors about a line. */
export function ArrangeForm({ glasses }: { glasses: ReadonlyMap<string, Glass> }) {
	const chosen = useChosen();
	const parts = useParts();
	const design = useDraft((draft) => draft.document);
	const editParts = useDraft((draft) => draft.editParts);
	const choose = useDraft((draft) => draft.choose);
	const [kind, setKind] = useState<Kind>("row");
	const [values, setValues] = useState<Values>({
		count: 6,
		rows: 3,
		gapMm: 0,
		overlapMm: 0,
		halfStep: false,
		everySecondUp: false,
		axis: "upright",
		atMm: 0,
		along: "across",
	});
	const set = (change: Partial<Values>) => setValues({ ...values, ...change });
	const regionOf = (part: KitPart) => placedRegion(part, design, glasses.get(glassIdOf(part) ?? ""));
	const how = arrangementOf(kind, values, boundsOf(chosen.flatMap(regionOf)));
	const copies = how ? arranged(chosen, how, newId) : [];
	const tooMany = parts.length + copies.length - chosen.length > LARGEST_KIT.parts;

	const apply = () => {
		const others = parts.filter(({ id }) => !chosen.some((one) => one.id === id));
		const laid = landed(copies, others, design, [...glasses.values()]);
		editParts(() => [...others, ...laid]);
		choose(laid.map(({ id }) => id));
	};
	return (
		<form
			className="grid grid-cols-2 gap-x-3 gap-y-2"
			aria-label="Repeat parts"
			onSubmit={(event) => {
				event.preventDefault();
				if (how && !tooMany) apply();
			}}
		>
			<ChoiceField<Kind>
				compact
				label="Repeat"
				value={kind}
				onChange={setKind}
				options={KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
			/>
			{kind !== "mirror" && (
				<NumberField
					kind="count"
					compact
					label={kind === "grid" ? "Columns" : "How many"}
					value={values.count}
					onChange={(count) => set({ count })}
				/>
			)}
			{kind === "row" && (
				<ChoiceField
					compact
					label="Direction"
					value={values.along}
					onChange={(along) => set({ along })}
					options={[
						{ value: "across", label: "across" },
						{ value: "up", label: "upwards" },
					]}
				/>
			)}
			{kind === "grid" && (
				<NumberField kind="count" compact label="Rows" value={values.rows} onChange={(rows) => set({ rows })} />
			)}
			{(kind === "row" || kind === "grid") && (
				<NumberField
					kind="length"
					compact
					label="Gap between"
					value={values.gapMm}
					onChange={(gapMm) => set({ gapMm })}
				/>
			)}
			{kind === "ring" && (
				<>
					<NumberField
						kind="length"
						compact
						label="Overlap"
						value={values.overlapMm}
						onChange={(overlapMm) => set({ overlapMm })}
					/>
					<Check label="half a step on" checked={values.halfStep} onChange={(halfStep) => set({ halfStep })} />
					<Check
						label="every second a layer up"
						checked={values.everySecondUp}
						onChange={(everySecondUp) => set({ everySecondUp })}
					/>
				</>
			)}
			{kind === "mirror" && (
				<>
					<ChoiceField
						compact
						label="About"
						value={values.axis}
						onChange={(axis) => set({ axis })}
						options={[
							{ value: "upright", label: "an upright line" },
							{ value: "level", label: "a level line" },
						]}
					/>
					<NumberField
						kind="length"
						compact
						label={values.axis === "upright" ? "Line across at" : "Line up at"}
						value={values.atMm}
						onChange={(atMm) => set({ atMm })}
					/>
				</>
			)}
			<button type="submit" className="btn btn-sm col-span-2" disabled={!how || tooMany}>
				{tooMany ? `more than ${LARGEST_KIT.parts} parts` : `Lay ${copies.length} of them`}
			</button>
		</form>
	);
}

type Box = ReturnType<typeof boundsOf>;

/** What the form asks for, once every number in it can be read. */
function arrangementOf(kind: Kind, values: Values, own: Box): Arrangement | undefined {
	const { count, rows, gapMm, overlapMm } = values;
	const whole = (value: number | null, most: number) =>
		value && value >= 1 && value <= most ? Math.floor(value) : undefined;
	const times = whole(count, LARGEST_KIT.parts);
	const gap = gapMm ?? 0;
	if (kind === "mirror") {
		const { atMm, axis } = values;
		return atMm === null || Number.isNaN(atMm) ? undefined : { kind, axis, atMm };
	}
	if (times === undefined || Number.isNaN(gap)) return undefined;
	if (kind === "row") {
		const across = values.along === "across";
		return { kind, count: times, stepMm: across ? { x: own.widthMm + gap, y: 0 } : { x: 0, y: own.heightMm + gap } };
	}
	if (kind === "grid") {
		const down = whole(rows, LARGEST_KIT.parts);
		return down === undefined
			? undefined
			: { kind, columns: times, rows: down, stepMm: { x: own.widthMm + gap, y: -(own.heightMm + gap) } };
	}
	if (times < 3 || overlapMm === null || Number.isNaN(overlapMm)) return undefined;
	const inner = ringRadiusMm(times, own.widthMm, overlapMm);
	return {
		kind,
		count: times,
		middle: { x: 0, y: 0 },
		radiusMm: inner + own.heightMm / 2,
		fromDeg: 90 + (values.halfStep ? 180 / times : 0),
		layersUp: values.everySecondUp ? 1 : 0,
	};
}
