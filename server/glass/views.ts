import { byId } from "@core/by-id";
import { loadMoulds, openStrainTests } from "@db/queries/glass";
import { kitNames } from "@db/queries/kits";
import { pictureOf } from "@db/queries/pictures";
import { kiln, sample } from "@db/schema";
import { asc, desc, eq, isNotNull } from "drizzle-orm";
import type { View } from "../house/view";
import { booksFor, currencyFor } from "./models/books";

export const books: View<"books"> = async (context) => {
	const { db } = context;
	const samples = await db
		.select({
			id: sample.id,
			revision: sample.revision,
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
			retired: sample.retired,
			hasPicture: isNotNull(sample.picture).mapWith(Boolean),
		})
		.from(sample)
		.leftJoin(kiln, eq(kiln.id, sample.kilnId))
		.orderBy(desc(sample.firedOn), asc(sample.name));
	const its = await booksFor(context);
	const glasses = byId(its.glasses);
	return {
		...its,
		moulds: await loadMoulds(db),
		samples: samples.map((one) => ({ ...one, plan: pictureOf(one.document, glasses) })),
		kilns: await db
			.select({ id: kiln.id, name: kiln.name })
			.from(kiln)
			.where(eq(kiln.retired, false))
			.orderBy(asc(kiln.sort)),
		kits: await kitNames(db),
		strainTests: (await openStrainTests(db)).flatMap(
			({ id, glassId, onFamilyId, firingId, number, kiln: name, state }) => {
				const isIn = firingId !== null && number !== null && name !== null && state !== null;
				const firing = isIn ? { id: firingId, number, kiln: name, state } : null;
				return glassId && onFamilyId ? [{ id, glassId, onFamilyId, firing }] : [];
			},
		),
		currency: currencyFor(context),
	};
};
