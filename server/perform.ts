import { type ActionInput, type ActionName, type ActionOutput, actions, type Role } from "@contract/actions";
import type { Database, Transaction } from "@db/connect";
import { loadStudio, type Studio } from "@db/queries/studio";
import { sql } from "drizzle-orm";
import type { z } from "zod";
import { Refusal } from "./refusal";
import { useCases } from "./use-cases";

export interface Actor {
	id: string;
	sessionId: string;
	name: string;
	role: Role;
}

/** What a use case works with: one transaction, who asks, when. */
export interface Context {
	tx: Transaction;
	studio: Studio;
	actor: Actor;
	now: Date;
	/** Headers of the request, for the sign-in library only. */
	headers: Headers;
	/** To be done once the transaction is kept: what reaches outside the database. */
	afterwards: (() => Promise<unknown>)[];
}

export interface UseCase<N extends ActionName> {
	/** The least role that may do it. */
	role: Role;
	run(context: Context, input: ActionInput<N>): Promise<ActionOutput[N]>;
}

/** Topic of the database's notifications: something changed, ask again. */
export const CHANGED = "zephyr_changed";

/** One action from raw input to answer: parse, check the role, run in one transaction, tell the open views. */
export async function perform<N extends ActionName>(
	db: Database,
	name: N,
	raw: unknown,
	who: { actor: Actor; now: Date; headers: Headers },
): Promise<ActionOutput[N]> {
	const parsed = actions[name].safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const useCase = useCases[name] as UseCase<N>;
	if (useCase.role === "instructor" && who.actor.role !== "instructor") {
		throw new Refusal("forbidden", "Only an instructor may do this.");
	}
	const afterwards: Context["afterwards"] = [];
	const output = await db.transaction(async (tx) => {
		const studio = await loadStudio(tx);
		const made = await useCase.run({ tx, studio, ...who, afterwards }, parsed.data as ActionInput<N>);
		await tx.execute(sql`select pg_notify(${CHANGED}, ${name})`);
		return made;
	});
	for (const act of afterwards)
		await act().catch((error: unknown) =>
			console.error(`after ${name}:`, error instanceof Error ? error.message : error),
		);
	return output;
}

export const problemsOf = (error: z.ZodError) =>
	error.issues.map((issue) => ({
		path: issue.path.map((step) => (typeof step === "symbol" ? String(step) : step)),
		sentence: issue.code === "unrecognized_keys" ? `Unknown field ${issue.keys.join(", ")}.` : issue.message,
	}));
