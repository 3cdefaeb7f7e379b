import { cutListOf } from "@core/cutting/count";
import { cutsOf } from "@core/kit/kit";
import { loadGlass } from "@db/queries/glass";
import { kitNames } from "@db/queries/kits";
import { cutRunsOf } from "@db/queries/stock";
import { loadStock, newestRecords } from "@db/queries/stock-book";
import { sessionOf } from "../classes/models/session";
import { booksFor, currencyFor } from "../glass/models/books";
import type { View } from "../house/view";

export const cut: View<"cut"> = async (context, params) => {
	const { db } = context;
	const { sessions, session } = await sessionOf(context, params.session);
	const rows = session ? await cutRunsOf(db, session.id) : [];
	return {
		...(await loadGlass(db)),
		sessions,
		session,
		kits: await kitNames(db),
		runs: rows.map(({ run, kit, done }) => ({
			id: run.id,
			kits: run.kits,
			kit: kit.document,
			kitId: kit.keptId,
			lines: cutListOf(cutsOf(kit.document), run.kits, context.studio.customs.spares).map((line) => ({
				...line,
				done: done.get(line.key) ?? 0,
			})),
		})),
	};
};

/** The newest so many records are shown. */
const NEWEST = 80;

export const stock: View<"stock"> = async (context) => ({
	...(await booksFor(context)),
	items: await loadStock(context.db, { prices: context.actor.role === "instructor" }),
	records: (await newestRecords(context.db, NEWEST)).map(({ actorName, at, ...record }) => ({
		...record,
		at: at.toISOString(),
		actor: actorName,
	})),
	currency: currencyFor(context),
});
