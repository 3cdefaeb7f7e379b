import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import type { KitDesign } from "@core/stack/kit";
import { type KitReading, readKit } from "@core/stack/read-kit";
import { expose } from "comlink";

/** The core's reading of a kit, off the page's own thread. */
const reader = {
	read: (design: KitDesign, glasses: readonly Glass[], families: readonly GlassFamily[]): KitReading =>
		readKit(design, {
			glasses: new Map(glasses.map((one) => [one.id, one])),
			families: new Map(families.map((one) => [one.id, one])),
		}),
};
export type KitReader = typeof reader;
expose(reader);
