import { allParts, emptyKit, glassIdOf } from "@core/kit/kit";
import { readKit } from "@core/stack/read-kit";
import type { Reader } from "@db/connect";
import { loadClearHeightMm, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { loadKitVersion } from "@db/queries/kits";
import { kitVersion, sample } from "@db/schema";
import { asc, desc, eq } from "drizzle-orm";
import { booksFor, currencyFor } from "../glass/models/books";
import { inTheBook } from "../house/refusal";
import type { View } from "../house/view";
import { kitBrief, listedKits } from "./models/briefs";

export const kits: View<"kits"> = async (context) => ({
	...(await booksFor(context)),
	kits: await listedKits(context),
});

export const kit: View<"kit"> = async (context, params) => {
	const { db, studio } = context;
	const { id } = params;
	const known = await kitBrief(context, id);
	const shared = {
		...(await booksFor(context)),
		moulds: await loadMoulds(db),
		samples: await citable(db),
		versions: known ? await versionsOf(db, id) : [],
		clearHeightMm: (await loadClearHeightMm(db)) ?? null,
		pace: { cooling: studio.coolingSchool, warmUp: studio.warmUpSchool },
		currency: currencyFor(context),
	};
	if (known) return { ...shared, kit: known, isNew: false };
	const document = emptyKit();
	const reading = readKit(document, await loadGlassBook(db));
	return { ...shared, isNew: true, kit: { id, revision: 0, document, reading, issued: 0, retired: false } };
};

/** Samples with the glasses they were made of. */
async function citable(reader: Reader) {
	const rows = await reader
		.select({ id: sample.id, name: sample.name, shows: sample.shows, document: sample.document })
		.from(sample)
		.where(eq(sample.retired, false))
		.orderBy(asc(sample.name));
	return rows.map(({ document, ...row }) => ({
		...row,
		glassIds: [...new Set(allParts(document).flatMap((part) => glassIdOf(part) ?? []))],
	}));
}

async function versionsOf(reader: Reader, kitId: string) {
	const rows = await reader
		.select({
			version: kitVersion.version,
			revision: kitVersion.revision,
			frozenAt: kitVersion.frozenAt,
			pieces: kitVersion.issued,
		})
		.from(kitVersion)
		.where(eq(kitVersion.keptId, kitId))
		.orderBy(desc(kitVersion.version));
	return rows.map((row) => ({ ...row, frozenAt: row.frozenAt.toISOString() }));
}

/** A version as it was frozen. */
export const frozenKit: View<"kitVersion"> = async ({ db }, params) => {
	const { version, document } = inTheBook(await loadKitVersion(db, params.id, params.version), "version of the kit");
	return { version, document };
};
