import { randomUUID } from "node:crypto";
import type { Role } from "@contract/people";
import type { Transaction } from "@db/connect";
import { account, user } from "@db/schema";

/** An account that signs in by password. Returns its id; undefined where somebody has one with this e-mail. */
export async function makeAccount(
	tx: Transaction,
	{ name, email, role, hash }: { name: string; email: string; role: Role; hash: string },
): Promise<string | undefined> {
	const id = randomUUID();
	const made = await tx
		.insert(user)
		.values({ id, name, email, role, emailVerified: true })
		.onConflictDoNothing()
		.returning({ id: user.id });
	if (made.length === 0) return undefined;
	await tx
		.insert(account)
		.values({ id: randomUUID(), accountId: id, providerId: "credential", userId: id, password: hash });
	return id;
}
