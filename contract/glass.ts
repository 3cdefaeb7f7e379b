import type { FuseLevel } from "@core/firing/level";
import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import type { KitDesign } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import type { FindingCode } from "@core/stack/findings/titles";
import { z } from "zod";
import { assistant, instructor } from "./action";
import { glass, glassFamily, mould, sample } from "./documents/glass-book";
import { entries, id, revision, words } from "./fields";
import type { Picture } from "./kits";
import { seenByAssistant } from "./view";

export interface GlassBookView {
	glasses: Glass[];
	families: GlassFamily[];
}

export interface SampleBrief {
	id: string;
	revision: number;
	name: string;
	document: KitDesign;
	stackCode: string;
	kiln: string | null;
	kilnId: string | null;
	level: FuseLevel;
	peakC: number;
	holdMin: number;
	firedOn: string;
	result: string;
	/** Codes of findings it bears out. */
	shows: FindingCode[];
	hasPicture: boolean;
	/** Its plan in fired colours. */
	plan: Picture;
	retired: boolean;
}

/** A row of the books with the revision it is at. */
export type Kept<T> = T & { revision: number };

export interface BooksView {
	glasses: Kept<Glass>[];
	families: Kept<GlassFamily>[];
	moulds: Kept<Mould>[];
	samples: SampleBrief[];
	kilns: { id: string; name: string }[];
	kits: { id: string; name: string }[];
	/** Strain tests that nobody has read yet. */
	strainTests: StrainTest[];
	currency: string | null;
}

/** A glass fired on a glass of a known family, to see whether they fit. */
export interface StrainTest {
	id: string;
	glassId: string;
	onFamilyId: string;
	/** The firing it lies in or is planned for; null: it waits at Load for a corner. */
	firing: { id: string; number: number; kiln: string; state: "planned" | "running" | "opened" | "cancelled" } | null;
}

export const actions = {
	saveGlass: instructor
		.asks(z.strictObject({ glass, revision }))
		.touches("glass")
		.answers<{ glassId: string; revision: number }>(),
	saveFamily: instructor
		.asks(z.strictObject({ family: glassFamily, revision }))
		.touches("glass")
		.answers<{ familyId: string; revision: number }>(),
	saveMould: instructor
		.asks(z.strictObject({ mould, revision }))
		.touches("glass")
		.answers<{ mouldId: string; revision: number }>(),
	/** A mould was given a fresh wash: its firings count from none. */
	washMould: assistant
		.asks(z.strictObject({ mouldId: words("The mould", 40, 1) }))
		.touches("glass")
		.answers<{ mouldId: string }>(),
	/** A strip of a glass waits for a corner of a load, on a glass of a known family. */
	layStrainTest: assistant
		.asks(
			z.strictObject({
				testId: id,
				glassId: words("The glass", 80, 1),
				onFamilyId: words("The family", 40, 1),
			}),
		)
		.touches("glass", "stock")
		.answers<{ testId: string }>(),
	/** What its strain test showed: it fits and is of that family from now on, or not; or the test is called off. */
	readStrainTest: instructor
		.asks(z.strictObject({ testId: id, shows: z.enum(["fits", "strain", "nothing"], { error: "Say what it shows." }) }))
		.touches("glass", "stock", "pieces")
		.answers<{ testId: string; pieces: number }>(),
	/** Glasses and moulds of a list, new or known; all of them or none. */
	takeGlass: instructor
		.asks(z.strictObject({ entries: entries(z.strictObject({ glass, revision })) }))
		.touches("glass")
		.answers<{ added: number; changed: number }>(),
	takeMoulds: instructor
		.asks(z.strictObject({ entries: entries(z.strictObject({ mould, revision })) }))
		.touches("glass")
		.answers<{ added: number; changed: number }>(),
	saveSample: instructor.asks(sample).touches("glass").answers<{ sampleId: string; revision: number }>(),
	addSamplePicture: instructor
		.asks(z.strictObject({ sampleId: id }), { upload: "picture" })
		.touches("glass")
		.answers<{ sampleId: string }>(),
};

export const views = {
	books: seenByAssistant
		.given({ tab: words("The tab", 20).optional() })
		.of("glass", "kits", "kilns", "stock", "firings")
		.shows<BooksView>(),
};
