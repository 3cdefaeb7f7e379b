import type { Database } from "@db/connect";
import { session } from "@db/schema";
import { eq } from "drizzle-orm";
import { noteAudit } from "../../house/audit";
import { Refusal } from "../../house/refusal";
import { countTry, wasRight } from "./back-off";
import { knownCookie, triedWith } from "./known-browser";
import { ASK_CODE, mayEnter, WRONG } from "./may-enter";
import { signIn } from "./sign-in";
import { tellPeople } from "./tell";

export interface Credentials {
	email: string;
	password: string;
	/** Of a device or a recovery code, for those of whom one is asked. */
	code?: string | undefined;
}

/** Of a request with another body, or with none. */
function doorHeaders(asked: Headers): Headers {
	const headers = new Headers(asked);
	headers.delete("content-length");
	headers.set("content-type", "application/json");
	return headers;
}

/**
 * Somebody at the door: counted by account and address, or by a browser that knows them, before the password is looked at, then
 * asked for a code where one was switched on. A session that was opened for who then may not enter is closed again.
 */
export async function enter(
	db: Database,
	request: Request,
	{ email, password, code }: Credentials,
	now: Date,
): Promise<Response> {
	const { headers } = request;
	const tried = triedWith(headers, email);
	try {
		await countTry(db, tried, now);
		const response = await signIn().handler(
			new Request(new URL("/api/auth/sign-in/email", request.url), {
				method: "POST",
				headers: doorHeaders(headers),
				body: JSON.stringify({ email, password }),
			}),
		);
		if (response.status >= 500) throw new Error("The sign-in library gave no answer.");
		if (!response.ok) throw WRONG;
		const { token, user: who } = (await response.clone().json()) as {
			token: string;
			user: { id: string; name: string };
		};
		try {
			await mayEnter(db, who.id, code, now);
		} catch (error) {
			await db.delete(session).where(eq(session.token, token));
			throw error;
		}
		await wasRight(db, tried);
		await noteAudit(db, "signedIn", email, { actor: who, now, headers });
		await tellPeople(db);
		response.headers.append("Set-Cookie", knownCookie(headers, email));
		return response;
	} catch (error) {
		// Who is made to wait was written down by the tries before.
		if (error instanceof Refusal && error !== ASK_CODE && error.kind !== "tooOften")
			await noteAudit(db, "signInRefused", `${email}: ${error.message}`, { now, headers });
		throw error;
	}
}
