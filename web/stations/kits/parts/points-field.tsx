import type { Point } from "@core/geometry/region";
import { parseLengthMm } from "@core/units/length";
import { tidyMm } from "@core/units/tidy";
import { useState } from "react";
import { Field } from "../../../forms/fields";
import { usePrefs } from "../../../lib/prefs";

/** A line or outline as typed points, one a line: "x, y". Lengths may be written in any way. */
export function PointsField(props: {
	label: string;
	points: readonly Point[];
	onChange(points: Point[]): void;
	error?: string | undefined;
}) {
	const { units } = usePrefs();
	const { label, points, onChange, error } = props;
	const [typed, setTyped] = useState<string | undefined>();
	const [misread, setMisread] = useState<string | undefined>();
	const shown = points.map(({ x, y }) => `${tidyMm(x, 0.1)}; ${tidyMm(y, 0.1)}`).join("\n");
	const read = (text: string) => {
		setTyped(text);
		const lines = text.split("\n").filter((line) => line.trim() !== "");
		const next: Point[] = [];
		for (const [i, line] of lines.entries()) {
			const [x, y, ...more] = line.split(/[;\t]|,\s+/).map((part) => parseLengthMm(part, units.length));
			if (!x?.ok || !y?.ok || more.length > 0) {
				setMisread(`Line ${i + 1}, “${line.trim()}”, is not a point. Write it like 12; 30.5 or 1/2 in; 2 in.`);
				return;
			}
			next.push({ x: x.value, y: y.value });
		}
		setMisread(undefined);
		onChange(next);
	};
	return (
		<Field
			label={label}
			error={misread ?? error}
			hint={`One point a line: across; up. In ${units.length}, or with a unit.`}
		>
			{({ id, describedBy }) => (
				<textarea
					id={id}
					className={`textarea figure h-28 w-full ${(misread ?? error) ? "border-error" : ""}`}
					aria-describedby={describedBy}
					aria-invalid={Boolean(misread ?? error)}
					value={typed ?? shown}
					onChange={(event) => read(event.target.value)}
					onBlur={() => !misread && setTyped(undefined)}
				/>
			)}
		</Field>
	);
}
