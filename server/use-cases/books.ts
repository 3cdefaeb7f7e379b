import { readKit } from "@core/stack/read-kit";
import { loadGlassBook } from "@db/queries/glass";
import { glass, glassFamily, kiln, mould, sample } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Writes one glass into the book, new or known. */
export const saveGlass: UseCase<"saveGlass"> = {
	role: "instructor",
	async run({ tx }, { glass: row }) {
		const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, row.familyId));
		if (!family)
			throw new Refusal("invalid", [{ path: ["glass", "familyId"], sentence: "This family is not in the book." }]);
		await tx.insert(glass).values(row).onConflictDoUpdate({ target: glass.id, set: row });
		return { glassId: row.id };
	},
};

export const saveFamily: UseCase<"saveFamily"> = {
	role: "instructor",
	async run({ tx }, { family }) {
		await tx.insert(glassFamily).values(family).onConflictDoUpdate({ target: glassFamily.id, set: family });
		return { familyId: family.id };
	},
};

export const saveMould: UseCase<"saveMould"> = {
	role: "instructor",
	async run({ tx }, { mould: row }) {
		await tx.insert(mould).values(row).onConflictDoUpdate({ target: mould.id, set: row });
		return { mouldId: row.id };
	},
};

/** Keeps what was tried and what came of it; its stack code is read, not typed. */
export const saveSample: UseCase<"saveSample"> = {
	role: "instructor",
	async run({ tx }, { sampleId, ...fields }) {
		if (fields.kilnId) {
			const [known] = await tx.select({ id: kiln.id }).from(kiln).where(eq(kiln.id, fields.kilnId));
			if (!known) throw new Refusal("invalid", "This kiln is not in the book.");
		}
		const { stackCode } = readKit(fields.document, await loadGlassBook(tx));
		const row = { id: sampleId, ...fields, stackCode };
		await tx.insert(sample).values(row).onConflictDoUpdate({ target: sample.id, set: row });
		return { sampleId };
	},
};
