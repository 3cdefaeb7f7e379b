import { database } from "@server/house/database";
import { enter } from "@server/people/models/enter";
import type { AstroGlobal } from "astro";

/** Signs in who just made their account, and goes on to a page; cookies of the door are sent along. */
export async function entered(
	astro: AstroGlobal,
	credentials: { email: string; password: string },
	to: string,
	cookies: readonly string[] = [],
): Promise<Response> {
	const asked = new Headers(astro.request.headers);
	asked.delete("content-length");
	asked.set("content-type", "application/json");
	const door = new Request(new URL("/api/auth/sign-in/email", astro.url), { headers: asked });
	const response = await enter(database().db, door, credentials, astro.locals.now);
	const headers = new Headers({ Location: to });
	for (const cookie of [...response.headers.getSetCookie(), ...cookies]) headers.append("Set-Cookie", cookie);
	return new Response(null, { status: 303, headers });
}
