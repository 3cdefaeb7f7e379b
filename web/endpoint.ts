import type { Trouble } from "@contract/action";
import type { Asking } from "@server/house/context";
import { database } from "@server/house/database";
import { studioNow } from "@server/house/look";
import type { OpenFile } from "@server/house/open-file";
import { Refusal } from "@server/house/refusal";
import { unitsOf } from "@server/house/units-of";
import { enter } from "@server/people/models/enter";
import type { APIContext, AstroGlobal } from "astro";
import { PREFS_COOKIE, readPrefs } from "./lib/prefs";

const written = (text: string, status = 200, headers: Record<string, string> = {}): Response =>
	new Response(text, { status, headers: { "Content-Type": "application/json", ...headers } });

const json = (body: unknown, status = 200, headers: Record<string, string> = {}): Response =>
	written(JSON.stringify(body), status, headers);

export function refusalResponse(refusal: Refusal): Response {
	const trouble: Trouble = { problems: refusal.problems.map(({ path, sentence }) => ({ path: [...path], sentence })) };
	const headers: Record<string, string> = {};
	// What was not read to its end cannot be followed by another request.
	if (refusal.kind === "tooMuch") headers.Connection = "close";
	if (refusal.status === 503) headers["Retry-After"] = RETRY_AFTER_S;
	return json(trouble, refusal.status, headers);
}

export const RETRY_AFTER_S = "5";

/** The one way an endpoint answers: a result as JSON, a refusal with its status and sentences; anything else is the middleware's. */
export async function answer(work: () => Promise<unknown>, headers?: Record<string, string>): Promise<Response> {
	try {
		return json(await work(), 200, headers);
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
}

/** The same for an answer that is written as JSON already. */
export async function answerWritten(work: () => Promise<{ text: string }>): Promise<Response> {
	try {
		return written((await work()).text);
	} catch (error) {
		if (error instanceof Refusal) return refusalResponse(error);
		throw error;
	}
}

/** An error that nobody foresaw, as an endpoint tells it: without details, with the number under which the log has them. */
export const faultResponse = (request: string): Response =>
	json(
		{
			problems: [
				{
					path: [],
					sentence: `Something went wrong on the server (fault ${request}). Look again before you repeat it.`,
				},
			],
		},
		500,
	);

export function who({ locals, request }: APIContext): Asking {
	if (!locals.actor) throw new Refusal("signedOut", "You are signed out.");
	return { actor: locals.actor, now: locals.now, headers: request.headers };
}

const MB = 1024 * 1024;
const LARGEST_JSON_BYTES = 2 * MB;
const LARGEST_FORM_BYTES = 64 * 1024;

/** A JSON body, refused when it is larger than `most` bytes or not JSON. */
export async function readJson(request: Request, most = LARGEST_JSON_BYTES): Promise<unknown> {
	if (!request.headers.get("content-type")?.startsWith("application/json")) throw new Refusal("invalid", "Send JSON.");
	const bytes = await readBytes(request, most);
	try {
		return JSON.parse(bytes.toString("utf8"));
	} catch {
		throw new Refusal("invalid", "This is not JSON.");
	}
}

/** A page's form, refused when it is larger than a page's form is. */
export async function readForm(request: Request): Promise<FormData> {
	const bytes = await readBytes(request, LARGEST_FORM_BYTES);
	try {
		return await new Response(new Uint8Array(bytes), {
			headers: { "Content-Type": request.headers.get("content-type") ?? "" },
		}).formData();
	} catch {
		throw new Refusal("invalid", "This is not what the page’s form sends.");
	}
}

/** The bytes of a body, counted while they come: more than `most` are not waited for. */
export async function readBytes(request: Request, most: number): Promise<Buffer> {
	const size = most < MB ? `${Math.floor(most / 1024)} kB` : `${Math.floor(most / MB)} MB`;
	const tooMuch = new Refusal("tooMuch", `This is more than ${size} and was not read.`);
	if (Number(request.headers.get("content-length") ?? 0) > most) throw tooMuch;
	const chunks: Uint8Array[] = [];
	let count = 0;
	for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
		count += chunk.byteLength;
		if (count > most) throw tooMuch; // leaving the loop cancels the stream
		chunks.push(chunk);
	}
	return Buffer.concat(chunks);
}

/** A file of an open format to take away. */
export function fileResponse({ body, type, name }: OpenFile): Response {
	const bytes = typeof body === "string" ? body : new Uint8Array(body);
	return new Response(bytes as BodyInit, {
		headers: {
			"Content-Type": type,
			"Content-Disposition": `attachment; filename="${name}"`,
			"X-Content-Type-Options": "nosniff",
			"Cache-Control": "no-store",
		},
	});
}

/** A kept picture as a file, or that it is not there. */
export const webp = (bytes: Buffer | undefined, cache: string): Response =>
	bytes
		? new Response(new Uint8Array(bytes), { headers: { "Content-Type": "image/webp", "Cache-Control": cache } })
		: new Response(null, { status: 404 });

/** Signs in who just made their account, and goes on to a page; cookies of the door are sent along. */
export async function entered(
	astro: AstroGlobal,
	credentials: { email: string; password: string },
	to: string,
	cookies: readonly string[] = [],
): Promise<Response> {
	const response = await enter(database().db, astro.request, credentials, astro.locals.now);
	const headers = new Headers({ Location: to });
	for (const cookie of [...response.headers.getSetCookie(), ...cookies]) headers.append("Set-Cookie", cookie);
	return new Response(null, { status: 303, headers });
}

/** What somebody reads a paper in: their own units, else the studio's. */
export const readerUnits = async ({ cookies }: Pick<APIContext, "cookies">) =>
	readPrefs(cookies.get(PREFS_COOKIE)?.value, unitsOf(await studioNow())).units;
