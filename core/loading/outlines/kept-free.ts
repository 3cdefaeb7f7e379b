import type { PlacedForm } from "../placement";
import { boxOutline } from "./fired-outline";
import { formOf } from "./form";
import type { Uneven } from "./to-middle";

/** A place that is taken by nothing: pieces keep out of it. */
export const keptFree = ({ xMm, yMm, widthMm, heightMm }: Uneven, i: number): PlacedForm => ({
	id: `zone ${i}`,
	form: formOf(boxOutline(widthMm, heightMm)),
	...{ xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2, turnDeg: 0 },
});
