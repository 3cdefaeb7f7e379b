import type { KitBrief } from "@contract/views";
import { allParts, emptyKit, glassIdOf } from "@core/kit/kit";
import { readKit } from "@core/stack/read-kit";
import type { Reader } from "@db/connect";
import { loadClearHeightMm, loadGlass, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { kiln, kitDesign, kitVersion, piece, sample } from "@db/schema";
import { and, asc, count, desc, eq, sql } from "drizzle-orm";
import { Refusal } from "../refusal";
import type { View, ViewContext } from "./context";

export async function kitBriefs(reader: Reader, id?: string): Promise<KitBrief[]> {
	const rows = await reader
		.select()
		.from(kitDesign)
		.where(id === undefined ? undefined : eq(kitDesign.id, id))
		.orderBy(sql`${kitDesign.document}->>'name'`);
	const issued = await reader
		.select({ kitId: kitVersion.kitId, pieces: sql<number>`count(*)::int` })
		.from(piece)
		.innerJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.groupBy(kitVersion.kitId);
	return rows.map(({ id: kitId, revision, document, reading }) => ({
		id: kitId,
		revision,
		document,
		reading,
		issued: issued.find((one) => one.kitId === kitId)?.pieces ?? 0,
	}));
}

/** The glass book as this person may see it: prices are for instructors. */
const booksFor = ({ db, actor }: ViewContext) => loadGlass(db, { prices: actor.role === "instructor" });

const currencyFor = ({ studio, actor }: ViewContext) => (actor.role === "instructor" ? studio.currency : null);

export const kits: View<"kits"> = async (context) => ({
	...(await booksFor(context)),
	kits: await kitBriefs(context.db),
});

const isId = (text: string) => /^[0-9a-f-]{36}$/.test(text);

export const kit: View<"kit"> = async (context, params) => {
	const { db, studio } = context;
	const id = params.get("id") ?? "";
	if (!isId(id)) throw new Refusal("missing", "This kit is not in the book.");
	const [known] = await kitBriefs(db, id);
	const shared = {
		...(await booksFor(context)),
		moulds: await loadMoulds(db),
		samples: await citable(db),
		versions: known ? await versionsOf(db, id) : [],
		clearHeightMm: (await loadClearHeightMm(db)) ?? null,
		coolingSchool: studio.coolingSchool,
		currency: currencyFor(context),
	};
	if (known) return { ...shared, kit: known, isNew: false };
	const document = emptyKit();
	const reading = readKit(document, await loadGlassBook(db));
	return { ...shared, isNew: true, kit: { id, revision: 0, document, reading, issued: 0 } };
};

/** Samples with the glasses they were made of. */
async function citable(reader: Reader) {
	const rows = await reader
		.select({ id: sample.id, name: sample.name, shows: sample.shows, document: sample.document })
		.from(sample)
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
			pieces: count(piece.id),
		})
		.from(kitVersion)
		.leftJoin(piece, eq(piece.kitVersionId, kitVersion.id))
		.where(eq(kitVersion.kitId, kitId))
		.groupBy(kitVersion.id)
		.orderBy(desc(kitVersion.version));
	return rows.map((row) => ({ ...row, frozenAt: row.frozenAt.toISOString() }));
}

/** A version as it was frozen. */
export const frozenKit: View<"kitVersion"> = async ({ db }, params) => {
	const id = params.get("id") ?? "";
	const version = Number(params.get("version"));
	const [row] = isId(id)
		? await db
				.select({ version: kitVersion.version, document: kitVersion.document })
				.from(kitVersion)
				.where(and(eq(kitVersion.kitId, id), eq(kitVersion.version, Number.isInteger(version) ? version : 0)))
		: [];
	if (!row) throw new Refusal("missing", "This version of the kit is not in the book.");
	return row;
};

export const books: View<"books"> = async (context) => {
	const { db } = context;
	const samples = await db
		.select({
			id: sample.id,
			name: sample.name,
			document: sample.document,
			stackCode: sample.stackCode,
			kiln: kiln.name,
			kilnId: sample.kilnId,
			level: sample.level,
			peakC: sample.peakC,
			holdMin: sample.holdMin,
			firedOn: sample.firedOn,
			result: sample.result,
			shows: sample.shows,
			hasPicture: sql<boolean>`${sample.picture} is not null`,
		})
		.from(sample)
		.leftJoin(kiln, eq(kiln.id, sample.kilnId))
		.orderBy(desc(sample.firedOn), asc(sample.name));
	return {
		...(await booksFor(context)),
		moulds: await loadMoulds(db),
		samples,
		kilns: await db.select({ id: kiln.id, name: kiln.name }).from(kiln).orderBy(asc(kiln.sort)),
		kits: await db
			.select({ id: kitDesign.id, name: sql<string>`${kitDesign.document}->>'name'` })
			.from(kitDesign)
			.orderBy(sql`${kitDesign.document}->>'name'`),
		currency: currencyFor(context),
	};
};
