import { kitNames } from "@db/queries/kits";
import { cutPlansOf, cutRunsOf, sessionsCutWith } from "@db/queries/stock";
import { loadStock, newestRecords } from "@db/queries/stock-book";
import { sessionOf } from "../classes/models/session";
import { booksFor, currencyFor } from "../glass/models/books";
import type { View } from "../house/view";
import { linesOf } from "./models/lines";

export const cut: View<"cut"> = async (context, params) => {
	const { db } = context;
	const { sessions, session } = await sessionOf(context, params.session);
	const asked = session ? [session.id, ...(params.also ?? [])] : [];
	const all = session ? [...new Set([...asked, ...(await sessionsCutWith(db, asked))])] : [];
	const rows = await cutRunsOf(db, all);
	const ids = rows.map(({ run }) => run.id);
	return {
		...(await booksFor(context)),
		currency: currencyFor(context),
		sessions,
		session,
		together: all.filter((id) => id !== session?.id),
		kits: await kitNames(db),
		runs: rows.map((row) => ({
			id: row.run.id,
			sessionId: row.run.sessionId,
			kits: row.run.kits,
			kit: row.kit.document,
			kitId: row.kit.keptId,
			isOld: row.isOld,
			lines: linesOf(row, context.studio),
		})),
		plans: (await cutPlansOf(db, ids)).map(({ id, revision, glassId, runIds, document, startedAt, actorName }) => ({
			id,
			revision,
			glassId,
			runIds,
			plan: document,
			startedAt: startedAt.toISOString(),
			actor: actorName,
		})),
		stock: (await loadStock(db)).flatMap(({ id, kind, glassId, name, widthMm, heightMm, place, amount, retired }) =>
			(kind === "sheet" || kind === "offcut") && glassId && widthMm && heightMm && !retired
				? [{ id, kind, glassId, name, widthMm, heightMm, place, amount }]
				: [],
		),
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
