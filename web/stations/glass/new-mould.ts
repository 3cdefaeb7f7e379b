import type { Kept } from "@contract/glass";
import type { Mould } from "@core/kit/mould";

/** What a new mould starts from: a plain dish. */
export const NEW_MOULD: Omit<Kept<Mould>, "id"> = {
	name: "",
	kind: "dish",
	opening: "rectangle",
	widthMm: 150,
	heightMm: 150,
	depthMm: 25,
	texture: "",
	vented: true,
	release: "bare",
	usesSince: 0,
	count: 1,
	maxC: 900,
	revision: 0,
};
