import { firedParts } from "@core/kit/fired-parts";
import { cutPlansOf, cutRunsOf, sessionsCutWith } from "@db/queries/stock";
import { loadStock } from "@db/queries/stock-book";
import { sessionOf } from "../../classes/models/session";
import type { ViewContext } from "../../house/view";
import { linesOf } from "./lines";

/** A class, and others with it, as they are cut: lists, plans, and the glass on the racks. */
export async function cutBook(
	context: ViewContext,
	params: { session?: string | undefined; also?: string[] | undefined },
) {
	const { db, studio } = context;
	const { sessions, session } = await sessionOf(context, params.session);
	const asked = session ? [session.id, ...(params.also ?? [])] : [];
	const all = session ? [...new Set([...asked, ...(await sessionsCutWith(db, asked))])] : [];
	const rows = await cutRunsOf(db, all);
	const plans = await cutPlansOf(
		db,
		rows.map(({ run }) => run.id),
	);
	const items = await loadStock(db, {
		prices: context.role === "instructor",
		and: plans.flatMap(({ document }) =>
			document.sheets.flatMap(({ from }) => (from.kind === "offcut" ? from.itemId : [])),
		),
	});
	return {
		sessions,
		session,
		together: all.filter((id) => id !== session?.id),
		items,
		runs: rows.map((row) => ({
			id: row.run.id,
			sessionId: row.run.sessionId,
			kits: row.run.kits,
			kit: row.kit.document,
			kitId: row.kit.keptId,
			palette: row.palette ?? null,
			version: row.kit.version,
			isOld: row.isOld,
			drawer: firedParts(row.kit.document, row.glasses).flatMap(({ madeOf, name }) => {
				const count = row.run.fromDrawer[madeOf] ?? 0;
				return count > 0 ? [{ name, count }] : [];
			}),
			dotGlasses: row.glasses,
			lines: linesOf(row, studio),
		})),
		plans: plans.map(({ id, revision, glassId, runIds, document, startedAt, actorName }) => ({
			...{ id, revision, glassId, runIds, plan: document },
			...{ startedAt: startedAt.toISOString(), actor: actorName },
		})),
		stock: items.flatMap(({ id, kind, glassId, name, widthMm, heightMm, place, amount, retired }) =>
			(kind === "sheet" || kind === "offcut") && glassId && widthMm && heightMm && !retired
				? [{ id, kind, glassId, name, widthMm, heightMm, place, amount }]
				: [],
		),
	};
}
