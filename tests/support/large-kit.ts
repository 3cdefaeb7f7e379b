import type { KitDesign } from "@core/kit/kit";
import { cut, disc, kit, square } from "./kit";

/** A kit of `parts` round cuts on a base: as heavy to draw as a student project gets. */
export const largeKit = (parts: number): KitDesign =>
	kit([
		cut(square(300), 0, 0, 0, "clear", { name: "Base" }),
		...Array.from({ length: parts - 1 }, (_, i) =>
			cut(disc(14), 1, (i % 15) * 18 - 126, Math.floor(i / 15) * 18 - 126, "clear", { name: `Dot ${i + 1}` }),
		),
	]);
