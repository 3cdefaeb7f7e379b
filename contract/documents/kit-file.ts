import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import { allParts, glassIdOf, KIT_VERSION, type KitDesign } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import { ok, problem, type Result } from "@core/result";
import { z } from "zod";
import { problemsOf } from "../problems";
import { travelling } from "./glass-book";
import { kitDesign, kitForm } from "./kit-design";

/** Name and version of the open form in which kits travel between studios. */
export const KIT_FORMAT = "zephyr-flats/kit";

export const LARGEST_KIT_FILE_BYTES = 1024 * 1024;

const file = <D extends z.ZodType>(design: D) =>
	z.strictObject({
		format: z.literal(KIT_FORMAT, { error: `This is not a kit file: its format is not “${KIT_FORMAT}”.` }),
		version: z.literal(KIT_VERSION, {
			error: `This kit file is of another version; this studio reads version ${KIT_VERSION}.`,
		}),
		design,
		glasses: z.array(travelling.glass).max(200, "At most 200 glasses."),
		families: z.array(travelling.family).max(20, "At most 20 families."),
		moulds: z.array(travelling.mould).max(20, "At most 20 moulds."),
	});

/** A kit with everything another studio needs to read it; prices stay at home. */
export const kitFile = file(kitDesign);

export type KitFile = z.infer<typeof kitFile>;

/** The published JSON Schema (draft 2020-12) of a kit file. */
export const kitFileSchema = (): object => ({
	title: "Zephyr Flats kit",
	description: "A fused-glass kit: parts in mm on layers from the shelf up, its components, route and palettes.",
	...z.toJSONSchema(file(kitForm), { io: "input" }),
});

interface Books {
	glasses: readonly Glass[];
	families: readonly GlassFamily[];
	moulds: readonly Mould[];
}

/** Of a row of the books, the fields that travel. */
const fieldsOf = <T extends object>(schema: { shape: object }, row: T): T =>
	Object.fromEntries(Object.entries(row).filter(([key]) => Object.hasOwn(schema.shape, key))) as T;

/** The kit as text, with the glasses, families and moulds it names. */
export function writeKitFile(design: KitDesign, books: Books): string {
	const named = new Set([
		...allParts(design).flatMap((part) => glassIdOf(part) ?? []),
		...design.palettes.flatMap(({ glass: swaps }) => Object.values(swaps)),
	]);
	const mouldIds = new Set([design.frameId, ...design.route.map(({ mouldId }) => mouldId)]);
	const glasses = books.glasses
		.filter(({ id }) => named.has(id))
		.map((one) => fieldsOf(travelling.glass, { ...one, priceMinor: null }));
	const contents: KitFile = {
		format: KIT_FORMAT,
		version: KIT_VERSION,
		design: { ...design, sampleId: null },
		glasses,
		families: books.families
			.filter(({ id }) => glasses.some(({ familyId }) => familyId === id))
			.map((one) => fieldsOf(travelling.family, one)),
		moulds: books.moulds.filter(({ id }) => mouldIds.has(id)).map((one) => fieldsOf(travelling.mould, one)),
	};
	return `${JSON.stringify(contents, null, 2)}\n`;
}

/** Reads a kit file; every problem names the path of the field. Files that are too large are not read at all. */
export function readKitFile(text: string): Result<KitFile> {
	if (text.length > LARGEST_KIT_FILE_BYTES)
		return problem([], `A kit file has at most ${LARGEST_KIT_FILE_BYTES / 1024} KB; this one was not read.`);
	let raw: unknown;
	try {
		raw = JSON.parse(text);
	} catch {
		return problem([], "This is not JSON: the file is cut off or of another kind.");
	}
	const parsed = kitFile.safeParse(raw);
	if (parsed.success) return ok(parsed.data);
	return { ok: false, problems: problemsOf(parsed.error).slice(0, 20) };
}
