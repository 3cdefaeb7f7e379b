import type { Trouble } from "@contract/actions";
import type { Actor } from "@server/perform";
import { Refusal } from "@server/refusal";
import type { APIContext } from "astro";

const json = (body: unknown, status = 200): Response =>
	new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

export function refusalResponse(refusal: Refusal): Response {
	const trouble: Trouble = { problems: refusal.problems.map(({ path, sentence }) => ({ path: [...path], sentence })) };
	return json(trouble, refusal.status);
}

/** The one way an endpoint answers: a result as JSON, a refusal with its status and sentences, anything else as 500 without details. */
export async function answer(work: () => Promise<unknown>): Promise<Response> {
	try {
		return json(await work());
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		console.error(error);
		return json(
			{ problems: [{ path: [], sentence: "Something went wrong on the server. Nothing was changed; try again." }] },
			500,
		);
	}
}

export function who({ locals, request }: APIContext): { actor: Actor; now: Date; headers: Headers } {
	if (!locals.actor) throw new Refusal("signedOut", "You are signed out.");
	return { actor: locals.actor, now: locals.now, headers: request.headers };
}

const LARGEST_JSON_BYTES = 2 * 1024 * 1024;

/** A JSON body, refused when it is larger than `most` bytes or not JSON. */
export async function readJson(request: Request, most = LARGEST_JSON_BYTES): Promise<unknown> {
	if (!request.headers.get("content-type")?.startsWith("application/json")) throw new Refusal("invalid", "Send JSON.");
	const text = await request.text();
	if (text.length > most)
		throw new Refusal("tooMuch", `This is more than ${Math.round(most / 1024 / 1024)} MB and was not read.`);
	try {
		return JSON.parse(text);
	} catch {
		throw new Refusal("invalid", "This is not JSON.");
	}
}
