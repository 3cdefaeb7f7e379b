import type { Role } from "@contract/people";
import { account, user } from "@db/schema";
import { hashPassword, verifyPassword } from "better-auth/crypto";
import { and, eq } from "drizzle-orm";
import { noteAudit } from "../../house/audit";
import type { Before } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { countTry, wasRight } from "./back-off";
import type { Credentials } from "./enter";
import { triedWith } from "./known-browser";
import { ASK_CODE, mayEnter, WRONG } from "./may-enter";

/** Somebody beside whoever is signed in. */
export interface Second {
	id: string;
	name: string;
	role: Role;
}

/**
 * A second person at somebody else’s screen says who they are as they do at the door, without a session: tries are counted the
 * same. Problems stand under `path`.
 */
export async function vouch(
	{ db, ...asking }: Before,
	{ email, password, code }: Credentials,
	path: string,
): Promise<Second> {
	const { headers, now } = asking;
	try {
		const tried = triedWith(headers, email);
		await countTry(db, tried, now);
		const [row] = await db
			.select({ id: user.id, name: user.name, role: user.role, hash: account.password })
			.from(user)
			.innerJoin(account, and(eq(account.userId, user.id), eq(account.providerId, "credential")))
			.where(eq(user.email, email.trim().toLowerCase()));
		if (!row?.hash) {
			await hashPassword(password); // nobody learns by the time it takes who has an account
			throw WRONG;
		}
		if (!(await verifyPassword({ hash: row.hash, password }))) throw WRONG;
		await mayEnter(db, row.id, code, now);
		await wasRight(db, tried);
		return { id: row.id, name: row.name, role: row.role as Role };
	} catch (error) {
		if (!(error instanceof Refusal) || error.kind === "tooOften") throw error;
		if (error !== ASK_CODE) await noteAudit(db, "signInRefused", `${email}, beside who is signed in`, asking);
		// Whoever is signed in stays so: it is the other’s word that was not good.
		throw new Refusal(
			"invalid",
			error.problems.map(({ path: at, sentence }) => ({
				path: [path, ...(at.length > 0 ? at : ["password"])],
				sentence,
			})),
		);
	}
}
