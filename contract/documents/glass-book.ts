import { type GlassFamily, SOAK_SCHOOLS } from "@core/glass/family";
import { CHEMISTRY, COATINGS, FRIT_GRADES, GLASS_FORMS, type Glass, OPACITIES, TONES } from "@core/glass/glass";
import { MOULD_KINDS, type Mould, OPENINGS, RELEASES } from "@core/kit/mould";
import { FINDING_CODES } from "@core/stack/findings/titles";
import { say } from "@core/units/phrase";
import { written } from "@core/units/written";
import { z } from "zod";
import { celsius, count, day, id, lengthMm, level, revision, words } from "../fields";
import { kitDesign } from "./kit-design";

/** Ids of the books: short words the person never types. */
const bookId = words("The id", 40, 1);

const colour = (name: string) => z.string().regex(/^#[0-9a-f]{6}$/i, `${name} is written like #8fc1d8.`);

const familyFields = z.strictObject({
	id: bookId,
	label: words("The family’s name", 40, 1),
	expansionE7PerK: z
		.number({ error: "Expansion must be a number." })
		.min(20, "Expansion must be at least 20.")
		.max(130, "Expansion must be at most 130."),
	annealingC: celsius("Annealing point", 350, 700),
	softeningC: celsius("Softening point", 450, 900),
	workingC: celsius("Working point", 600, 1300),
	tested: z.boolean(),
	soakSchool: z.enum(SOAK_SCHOOLS, { error: "Choose where it is soaked." }).nullable().optional(),
});

/** The fixed points in their order, with room between them. */
const inOrder = <S extends z.ZodType<Pick<GlassFamily, "annealingC" | "softeningC" | "workingC">>>(fields: S) =>
	fields
		.refine(({ annealingC, softeningC }) => annealingC + 50 <= softeningC, {
			path: ["softeningC"],
			message: written(say`The softening point lies at least ${{ stepC: 50 }} above the annealing point.`),
		})
		.refine(({ softeningC, workingC }) => softeningC + 50 <= workingC, {
			path: ["workingC"],
			message: written(say`The working point lies at least ${{ stepC: 50 }} above the softening point.`),
		});

export const glassFamily = inOrder(familyFields) satisfies z.ZodType<GlassFamily>;

const glassFields = z.strictObject({
	id: bookId,
	name: words("The glass’s name", 60, 1),
	familyId: words("The family", 40, 1),
	form: z.enum(GLASS_FORMS, { error: "Choose a form." }),
	thicknessMm: lengthMm("Thickness", 40, 0),
	widthMm: lengthMm("Width", 40, 0.2).nullable(),
	grade: z.enum(FRIT_GRADES, { error: "Choose a grade." }).nullable(),
	opacity: z.enum(OPACITIES, { error: "Choose how clear it is." }),
	tone: z.enum(TONES, { error: "Choose a tone." }),
	coating: z.enum(COATINGS, { error: "Choose a coating." }),
	roughFace: z.boolean(),
	directed: z.boolean(),
	fused: z.boolean().optional(),
	chemistry: z.array(z.enum(CHEMISTRY)).max(CHEMISTRY.length),
	boughtColour: colour("The colour as bought"),
	firedColour: colour("The colour as fired"),
	priceMinor: count("The price", 0, 100_000_000).nullable(),
});

/** A sheet or thread has a thickness, frit a grade. */
const ofItsForm = <S extends z.ZodType<Pick<Glass, "form" | "thicknessMm" | "grade">>>(fields: S) =>
	fields
		.refine(({ form, thicknessMm }) => form === "frit" || thicknessMm >= 0.3, {
			path: ["thicknessMm"],
			message: written(say`Thickness must be at least ${{ mm: 0.3 }}.`),
		})
		.refine(({ form, grade }) => form !== "frit" || grade !== null, {
			path: ["grade"],
			message: "Choose a grade: frit is sold by its grains.",
		});

export const glass = ofItsForm(glassFields) satisfies z.ZodType<Glass>;

const usesSince = count("Uses", 0, 1000);

export const mould = z.strictObject({
	id: bookId,
	name: words("The mould’s name", 60, 1),
	kind: z.enum(MOULD_KINDS, { error: "Choose a kind." }),
	opening: z.enum(OPENINGS, { error: "Choose the opening’s shape." }),
	widthMm: lengthMm("Width", 1000, 5),
	heightMm: lengthMm("Height", 1000, 5),
	depthMm: lengthMm("Depth", 300, 0),
	texture: words("Texture", 80),
	vented: z.boolean(),
	release: z.enum(RELEASES, { error: "Choose its state." }),
	count: count("How many there are", 1, 100),
	/** Counted by the studio; sent only where a person counted anew. */
	usesSince: usesSince.optional(),
	renewAfter: count("Renewed after", 1, 1000).nullable().optional(),
	maxC: celsius("Highest temperature", 20, 1300),
}) satisfies z.ZodType<Omit<Mould, "usesSince">>;

export const sample = z.strictObject({
	sampleId: id,
	revision,
	name: words("The sample’s name", 80, 1),
	document: kitDesign,
	kilnId: id.nullable(),
	level,
	peakC: celsius("Peak", 400, 1100),
	holdMin: count("Hold", 0, 600),
	firedOn: day,
	result: words("What came of it", 1000, 1),
	shows: z.array(z.enum(FINDING_CODES, { error: "There is no such finding." })).max(20, "At most 20 findings."),
});

const taken = <K extends string>(...keys: K[]) => Object.fromEntries(keys.map((key) => [key, true])) as Record<K, true>;

/**
 * What of the books travels in a kit file, field by field: a field that the studio's own books get later stays at home, and
 * old files go on being read.
 */
export const travelling = {
	family: inOrder(
		familyFields.pick(
			taken("id", "label", "expansionE7PerK", "annealingC", "softeningC", "workingC", "tested", "soakSchool"),
		),
	),
	glass: ofItsForm(
		glassFields.pick(
			taken(
				"id",
				"name",
				"familyId",
				"form",
				"thicknessMm",
				"widthMm",
				"grade",
				"opacity",
				"tone",
				"coating",
				"roughFace",
				"directed",
				"chemistry",
				"boughtColour",
				"firedColour",
				"priceMinor",
			),
		),
	),
	mould: mould
		.pick(
			taken("id", "name", "kind", "opening", "widthMm", "heightMm", "depthMm", "texture", "vented", "release", "maxC"),
		)
		.extend({ usesSince }),
};
