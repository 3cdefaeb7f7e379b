import type { Role } from "@contract/people";
import type { Database } from "@db/connect";
import { account, user } from "@db/schema";
import { hashPassword } from "better-auth/crypto";
import { asc, eq } from "drizzle-orm";
import { signIn } from "./server";

export const PASSWORD = "ladder tarpaulin vinegar";

/** The first person of a role, who can sign in with {@link PASSWORD} from now on. */
export async function somebody(db: Database, role: Role) {
	const [person] = await db.select().from(user).where(eq(user.role, role)).orderBy(asc(user.name));
	const id = person?.id ?? "";
	await db
		.update(account)
		.set({ password: await hashPassword(PASSWORD) })
		.where(eq(account.userId, id));
	return { id, name: person?.name ?? "", email: person?.email ?? "" };
}

/** The cookie of a fresh session, as a header has it. */
export async function cookieOf(address: string, email: string, password = PASSWORD): Promise<string> {
	const cookies = await signIn(address, email, password);
	return cookies.map(({ name, value }) => `${name}=${encodeURIComponent(value)}`).join("; ");
}

/** Sends something to a server as its own pages do. */
export const post = (address: string, path: string, body: unknown, headers: Record<string, string> = {}) =>
	fetch(`${address}${path}`, {
		method: "POST",
		headers: { "Content-Type": "application/json", Origin: address, ...headers },
		body: typeof body === "string" ? body : JSON.stringify(body),
	});
