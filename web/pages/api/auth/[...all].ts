import { database } from "@server/house/database";
import { Refusal } from "@server/house/refusal";
import { countTry, wasRight } from "@server/people/models/back-off";
import { CLIENT_ADDRESS, signIn } from "@server/people/models/sign-in";
import { readJson, refusalResponse } from "@web/endpoint";
import type { APIRoute } from "astro";
import { z } from "zod";

/** All of the sign-in library that is reached from outside. */
const OPEN = ["GET /get-session", "POST /sign-out"];

const LARGEST_SIGN_IN_BYTES = 16 * 1024;
const asked = z.strictObject({ email: z.string().max(200), password: z.string().max(200) });

export const ALL: APIRoute = async ({ request, params, locals }) => {
	const what = `${request.method} /${params.all}`;
	try {
		if (what === "POST /sign-in/email") return await enter(request, locals.now);
		if (OPEN.includes(what)) return await signIn().handler(request);
		throw new Refusal("missing", "There is nothing here.");
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
};

/** Somebody at the door: counted by the account and by the address before the password is looked at. */
async function enter(request: Request, now: Date): Promise<Response> {
	const parsed = asked.safeParse(await readJson(request, LARGEST_SIGN_IN_BYTES));
	if (!parsed.success) throw new Refusal("invalid", "Type an e-mail and a password.");
	const tried = { account: parsed.data.email, address: request.headers.get(CLIENT_ADDRESS) ?? "" };
	const { db } = database();
	await countTry(db, tried, now);
	const body = JSON.stringify(parsed.data);
	const response = await signIn().handler(new Request(request.url, { method: "POST", headers: request.headers, body }));
	if (response.ok) await wasRight(db, tried);
	return response;
}
