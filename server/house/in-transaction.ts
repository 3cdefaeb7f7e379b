import type { Database, Transaction } from "@db/connect";
import { Refusal, type RefusalKind } from "./refusal";

/** Whoever waits longer than this for a connection is told to come back, ms. */
const PATIENCE_MS = 8000;

const busy = () => new Refusal("busy", "The studio’s computer has too much to do just now. Try again in a moment.");

/** Errors of PostgreSQL after which the same may be tried at once: serialization failure, deadlock. Source: its manual, appendix A. */
const TRY_AGAIN = ["40001", "40P01"];
/** Unique violation: somebody wrote it between looking and writing, maybe the same sender whose answer was lost. Looked at again, it is there. */
const WRITTEN_MEANWHILE = "23505";
/** Lock not available, query cancelled by its time limit, too many connections. */
const OVERLOADED = ["55P03", "57014", "53300"];

/** What no check found before the database did: it is the sender's all the same. Unique, foreign key, check, data errors. */
const UNFIT: [RegExp, RefusalKind, string][] = [
	[
		new RegExp(`^${WRITTEN_MEANWHILE}$`),
		"conflict",
		"This is in the book already, or somebody else just wrote it. Nothing was changed.",
	],
	[/^23503$/, "invalid", "Something this refers to was deleted meanwhile. Nothing was changed."],
	[/^(23514|23502|22...)$/, "invalid", "Something in this cannot be kept. Nothing was changed."],
];

/** Disk full, out of memory: nothing more can be kept until somebody makes room. */
const FULL = ["53100", "53200"];

const sqlState = (error: unknown): string =>
	String((error as { code?: unknown })?.code ?? (error as { cause?: { code?: unknown } })?.cause?.code ?? "");

/**
 * Work in one transaction. Who gets no connection in time is refused, and what comes too late does nothing; after a deadlock, and where
 * somebody wrote the same meanwhile, it is tried once more.
 */
export async function inTransaction<T>(
	db: Database,
	work: (tx: Transaction) => Promise<T>,
	mayTryAgain = true,
): Promise<T> {
	try {
		return await once(db, work);
	} catch (error) {
		const state = sqlState(error);
		if ([...TRY_AGAIN, WRITTEN_MEANWHILE].includes(state) && mayTryAgain) return inTransaction(db, work, false);
		if (OVERLOADED.includes(state) || TRY_AGAIN.includes(state)) throw busy();
		if (FULL.includes(state))
			throw new Refusal(
				"away",
				"The studio’s disk is full: nothing of this was kept. Make room there, then send it again.",
			);
		const unfit = UNFIT.find(([pattern]) => pattern.test(state));
		throw unfit ? new Refusal(unfit[1], unfit[2]) : error;
	}
}

function once<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
	return new Promise((done, fail) => {
		let late = false;
		const timer = setTimeout(() => {
			late = true;
			fail(busy());
		}, PATIENCE_MS);
		db.transaction((tx) => {
			clearTimeout(timer);
			if (late) throw busy();
			return work(tx);
		}).then(done, fail);
	});
}

/** A first question, refused where it gets no connection in time. */
export async function inTime<T>(work: Promise<T>): Promise<T> {
	let timer: NodeJS.Timeout | undefined;
	const late = new Promise<never>((_, fail) => {
		timer = setTimeout(() => fail(busy()), PATIENCE_MS);
	});
	try {
		return await Promise.race([work, late]);
	} finally {
		clearTimeout(timer);
	}
}
