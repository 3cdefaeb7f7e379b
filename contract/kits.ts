import type { Pace } from "@core/firing/schools";
import type { KitDesign } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import type { KitReading } from "@core/stack/read-kit";
import { z } from "zod";
import { instructor } from "./action";
import { kitDesign } from "./documents/kit-design";
import { kitFile } from "./documents/kit-file";
import { id, revision } from "./fields";
import type { GlassBookView, SampleBrief } from "./glass";
import { counted, seenByAssistant } from "./view";

/** A kit's plan as filled paths, bottom layer first, the middle of its box at the origin; y grows downwards. */
export interface Picture {
	widthMm: number;
	heightMm: number;
	shapes: { d: string; colour: string }[];
}

/** Pictures of the kits that the pieces of a view were made from, by kit version. */
export type Pictures = Record<string, Picture>;

export interface KitBrief {
	id: string;
	revision: number;
	document: KitDesign;
	reading: KitReading;
	issued: number;
	/** Put away: offered for no class. */
	retired: boolean;
}

/** A kit as its list shows it. */
export interface ListedKit extends KitBrief {
	/** When it was changed, frozen for a class or issued last; ISO. */
	usedAt: string;
	/** Hours of all its firings as the studio heats and cools, programme by programme; null until it is read again. */
	hours: number | null;
	/** Courses it was cut or issued for. */
	courses: { id: string; title: string }[];
}

export interface KitsView extends GlassBookView {
	kits: ListedKit[];
}

/** A frozen version: what was issued keeps it. */
export interface KitVersionBrief {
	version: number;
	revision: number;
	frozenAt: string;
	pieces: number;
}

export interface KitView extends GlassBookView {
	kit: KitBrief;
	isNew: boolean;
	moulds: Mould[];
	/** Samples a finding can cite: where it shows the same thing on one of the same glasses. */
	samples: (Pick<SampleBrief, "id" | "name" | "shows"> & { glassIds: string[] })[];
	versions: KitVersionBrief[];
	/** Clear height of the tallest kiln, mm; null without a kiln. */
	clearHeightMm: number | null;
	/** How fast the studio heats and cools. */
	pace: Pace;
	/** ISO 4217; null for who may not see money. */
	currency: string | null;
}

export interface KitVersionView {
	version: number;
	document: KitDesign;
}

export const actions = {
	saveKit: instructor
		.asks(z.strictObject({ kitId: id, revision, document: kitDesign }))
		.touches("kits")
		.answers<{ kitId: string; revision: number }>(),
	/** What the studio's books did not have yet was added to them. */
	importKit: instructor
		.asks(z.strictObject({ kitId: id, file: kitFile }))
		.touches("kits", "glass")
		.answers<{ kitId: string; added: string[] }>(),
};

export const views = {
	kits: seenByAssistant.given({}).of("kits", "glass", "pieces", "stock", "classes", "studio").shows<KitsView>(),
	kit: seenByAssistant.given({ id }).of("kits", "glass", "pieces", "kilns").shows<KitView>(),
	kitVersion: seenByAssistant
		.given({ id, version: counted("A version is a number.", 1, 1_000_000) })
		.of("kits")
		.shows<KitVersionView>(),
};
