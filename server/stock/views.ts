import { listCosts } from "@core/cost/list-costs";
import { bagOf } from "@core/cutting/bag";
import { cutBefore, glassLists, taskOf } from "@core/cutting/glass-lists";
import { beforeMm2 } from "@core/cutting/plan/cut-so-far";
import { keptFigures } from "@core/cutting/plan/kept-figures";
import { bagCode } from "@core/stock/bag-code";
import { needsOf } from "@core/stock/needs";
import { toBuy } from "@core/stock/to-buy";
import { bagsOf, openLots } from "@db/queries/bags";
import { loadGlass } from "@db/queries/glass";
import { kitColours } from "@db/queries/kits";
import { loadStock, newestRecords } from "@db/queries/stock-book";
import { booksFor, currencyFor } from "../glass/models/books";
import { qrOf } from "../house/qr";
import type { View, ViewContext } from "../house/view";
import { cutBook } from "./models/cut-book";
import { firedNeeds } from "./models/fired-needs";
import { plannedFigures } from "./models/planned-sheets";
import { roomForLots } from "./models/room-for-lots";

export const cut: View<"cut"> = async (context, params) => {
	const { items, runs, ...book } = await cutBook(context, params);
	return {
		...book,
		rods: items.flatMap(({ kind, glassId, sizeMm, place, retired }) =>
			kind === "thread" && glassId && sizeMm && !retired ? [{ glassId, lengthMm: sizeMm, place }] : [],
		),
		...(await booksFor(context)),
		currency: currencyFor(context),
		kits: (await kitColours(context.db)).map(({ palettes, ...kit }) => ({
			...kit,
			palettes: palettes.map(({ id, name }) => ({ id, name })),
		})),
		runs: runs.map(({ version: _, dotGlasses: _1, ...run }) => run),
	};
};

/** The newest so many records are shown. */
const NEWEST = 80;

export const stock: View<"stock"> = async (context) => ({
	...(await booksFor(context)),
	items: await loadStock(context.db, { prices: context.role === "instructor" }),
	records: (await newestRecords(context.db, NEWEST)).map(({ actorName, at, ...record }) => ({
		...record,
		at: at.toISOString(),
		actor: actorName,
	})),
	currency: currencyFor(context),
});

export const bags: View<"bags"> = async (context, params) => {
	const { db } = context;
	const { sessions, session, runs: all, items } = await cutBook(context, params);
	const runs = all.filter(({ sessionId }) => sessionId === session?.id);
	const begun = await bagsOf(
		db,
		runs.map(({ id }) => id),
	);
	// Strain tests are no parts: they stand in the book of families.
	const lots = (await openLots(db)).filter(({ lot }) => lot.onFamilyId === null);
	const book = await loadGlass(db);
	const kits = runs.map((run) => ({
		...{
			runId: run.id,
			kitId: run.kitId,
			name: run.kit.name,
			palette: run.palette,
			version: run.version,
			isOld: run.isOld,
		},
		contents: bagOf(run.kit, run.dotGlasses),
		bags: Array.from({ length: run.kits }, (_, i) => {
			const bag = begun.find(({ cutRunId, number }) => cutRunId === run.id && number === i + 1);
			return {
				number: i + 1,
				code: bag ? bagCode(bag.serial) : null,
				inIt: bag?.inIt ?? [],
				packedAt: bag?.packedAt?.toISOString() ?? null,
				packedBy: bag?.packedBy ?? null,
			};
		}),
	}));
	return {
		...book,
		sessions,
		session,
		kits,
		fired: firedNeeds(
			runs,
			items,
			lots.map(({ lot }) => lot),
			context.studio.customs.spares,
			begun,
		),
		lots: lots.map(({ lot: { id, name, glassId, sizeMm, count, level, wantedAt, firingId }, ...its }) => ({
			...{ id, name, glassId, sizeMm, count, level },
			wantedAt: wantedAt.toISOString(),
			familyId: its.familyId,
			firing:
				firingId && its.number !== null && its.state !== null && its.kiln !== null
					? { id: firingId, number: its.number, kiln: its.kiln, state: its.state }
					: null,
		})),
		...(await roomForLots(db)),
	};
};

/** Labels for every bag of a class. */
export const bagLabels: View<"bagLabels"> = async (context, params) => {
	const { db, studio } = context;
	const { session, runs: all } = await cutBook(context, params);
	const runs = all.filter(({ sessionId }) => sessionId === session?.id);
	const begun = await bagsOf(
		db,
		runs.map(({ id }) => id),
	);
	return {
		paper: studio.customs.paper,
		labels: runs.flatMap((run) =>
			begun
				.filter(({ cutRunId, number }) => cutRunId === run.id && number <= run.kits)
				.map(({ serial, number }) => {
					const code = bagCode(serial);
					return {
						...{ code, kit: run.kit.name, palette: run.palette, version: run.version, number, of: run.kits },
						...{ day: session?.day ?? "", title: session?.title ?? "" },
						...qrOf(code),
					};
				}),
		),
	};
};

/** What is to be bought for a class, and what its glass costs. */
export const shopping: View<"shopping"> = async (context, params) => {
	const { glasses, families } = await booksFor(context);
	const book = await cutBook(context, params);
	const { runs, items } = book;
	const sheets = await sheetsOf(context, { ...book, glasses });
	const inUse = items.filter(({ retired }) => !retired);
	const others = needsOf(
		runs.flatMap(({ lines }) => lines),
		inUse,
	);
	const currency = currencyFor(context);
	return {
		...{ glasses, families, currency },
		...{ sessions: book.sessions, session: book.session, together: book.together },
		kits: runs.reduce((sum, run) => sum + run.kits, 0),
		costs:
			currency === null
				? null
				: {
						...listCosts(
							runs,
							sheets.map(({ glass, figures: { cutMm2 }, ...its }) => ({ glassId: glass.id, cutMm2, ...its })),
							inUse,
							glasses,
						),
						names: Object.fromEntries(
							runs.map(({ id, kit, palette }) => [id, palette ? `${kit.name}, ${palette}` : kit.name]),
						),
						students: book.session?.students ?? 0,
					},
		lines: toBuy([...sheets.map(({ need }) => need), ...others], inUse),
		sheets: sheets
			.filter(({ figures }) => figures.takenMm2 > 0)
			.map(({ glass, figures, usedMm2 }) => ({
				...{ glassId: glass.id, sheets: figures.sheets, offcuts: figures.offcuts, yield: figures.yield },
				costMinor: currency && glass.priceMinor !== null ? Math.round((usedMm2 / 1e6) * glass.priceMinor) : null,
			})),
	};
};

type Book = Awaited<ReturnType<typeof cutBook>> & Pick<Awaited<ReturnType<typeof booksFor>>, "glasses">;

/** Whole sheets that each glass still takes: of plans that are cut by, those that had to be bought; else all of the best plan's. */
async function sheetsOf({ studio }: ViewContext, book: Book) {
	return Promise.all(
		glassLists(book, studio.customs.sheet).map(async (list) => {
			const figures = list.kept ? keptFigures(list.kept.plan) : await plannedFigures(taskOf(list));
			const missing = list.kept?.plan.sheets.filter(({ from }) => from.kind === "whole" && from.itemId === null).length;
			const need = {
				...{ kind: "sheet" as const, glassId: list.glass.id, name: "", sizeMm: null },
				...list.sheet,
				amount: missing ?? figures.sheets,
			};
			const before = beforeMm2(list.wanted, list.kept?.plan.before ?? cutBefore(list));
			return {
				...{ glass: list.glass, figures, need },
				...{ usedMm2: figures.takenMm2 - figures.keptMm2, beforeMm2: before },
			};
		}),
	);
}
