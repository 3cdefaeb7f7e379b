import type { ActionInput, ActionName, ActionOutput } from "@contract/actions";
import type { Role } from "@contract/people";
import type { Database, Transaction } from "@db/connect";
import type { Studio } from "@db/queries/studio";
import type { Reencoded } from "./uploads";

export interface Actor {
	id: string;
	sessionId: string;
	name: string;
	role: Role;
}

/** Who asks, when, and with what request. */
export interface Asking {
	actor: Actor;
	now: Date;
	/** Headers of the request, for the sign-in library only. */
	headers: Headers;
}

/** What a use case works with: one transaction, who asks, when. */
export interface Context extends Asking {
	tx: Transaction;
	studio: Studio;
	/**
	 * To be done once the transaction is kept: what reaches outside the database. A refusal thrown there is told; what the
	 * transaction wrote stays.
	 */
	afterwards: ((db: Database) => Promise<unknown>)[];
	/** The image that came with an action that asks for one, made anew from its pixels. */
	upload: Reencoded | undefined;
	/** What the use case made before its transaction began. */
	prepared: unknown;
}

/** Before the transaction: who asks, and a database to read from. */
export interface Before extends Asking {
	db: Database;
	studio: Studio;
}

/** What an action does: it reads and writes within the context's transaction, or throws a refusal. */
export interface UseCase<N extends ActionName> {
	(context: Context, input: ActionInput<N>): Promise<ActionOutput[N]>;
	/** What takes long, done before the transaction: no connection and no lock waits for it. */
	prepare?(before: Before, input: ActionInput<N>): Promise<unknown>;
}

/** A use case in two steps: what takes long, then the transaction that is given what came of it. */
export const afterPreparing = <N extends ActionName, P>(
	prepare: (before: Before, input: ActionInput<N>) => Promise<P>,
	act: (context: Context, input: ActionInput<N>, prepared: P) => Promise<ActionOutput[N]>,
): UseCase<N> =>
	Object.assign((context: Context, input: ActionInput<N>) => act(context, input, context.prepared as P), { prepare });
