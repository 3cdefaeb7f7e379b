import type { Database } from "@db/connect";
import { forgetAttempts, lockAttempt, takeOff, writeAttempt } from "@db/queries/attempts";
import { inTransaction } from "../../house/in-transaction";
import { Refusal } from "../../house/refusal";

/** Tries that cost nothing, and the longest wait (s): people mistype, a class shares an address. */
const RULES = {
	account: { free: 5, longestS: 300 },
	address: { free: 20, longestS: 900 },
	/** Somebody at a browser from which they came in before: nobody else’s tries count there. */
	known: { free: 5, longestS: 300 },
	/** Somebody who is signed in types their own password. */
	own: { free: 5, longestS: 300 },
} as const;
/** Tries are forgotten after this, ms. */
const FORGOTTEN_MS = 3_600_000;

type Kind = keyof typeof RULES;

/** Seconds to wait after so many wrong tries: doubling from one, once those that are free are used up. */
export function waitS(kind: Kind, tries: number): number {
	const { free, longestS } = RULES[kind];
	return tries < free ? 0 : Math.min(longestS, 2 ** Math.min(30, tries - free));
}

/** Under what tries are counted: whose secret, from where. All of them have to be free. */
export type Tried = readonly { kind: Kind; of: string }[];

/**
 * Counts a try before it is known whether it is right, so that many at once count too; refused while one has to wait. A right
 * one is then taken off by {@link wasRight}.
 */
export async function countTry(db: Database, tried: Tried, now: Date): Promise<void> {
	const left = await inTransaction(db, async (tx) => {
		const known = [];
		for (const one of tried) {
			const key = keyOf(one);
			const { tries, lastAt } = await lockAttempt(tx, key, now);
			const recent = now.getTime() - lastAt.getTime() < FORGOTTEN_MS ? tries : 0;
			known.push({
				key,
				tries: recent,
				leftS: waitS(one.kind, recent) - Math.max(0, now.getTime() - lastAt.getTime()) / 1000,
			});
		}
		const leftS = Math.max(...known.map((one) => (one.tries === 0 ? 0 : one.leftS)));
		if (leftS > 0) return leftS;
		for (const { key, tries } of known) await writeAttempt(tx, key, tries + 1, now);
		return 0;
	});
	if (left > 0) throw new Refusal("tooOften", `Too many tries. Wait ${Math.ceil(left)} s, then try again.`);
}

/** What was counted is forgotten; of an address only this try: whoever has an account of their own still waits for the others’. */
export async function wasRight(db: Database, tried: Tried): Promise<void> {
	for (const one of tried) await (one.kind === "address" ? takeOff : forgetAttempts)(db, keyOf(one));
}

const keyOf = ({ kind, of }: Tried[number]) => `${kind} ${of.trim().toLowerCase().slice(0, 200)}`;
