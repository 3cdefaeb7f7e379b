import { defineMiddleware } from "astro:middleware";
import { randomBytes } from "node:crypto";
import { isUnbegun } from "@server/begin/door";
import { awayWhileDoing, awayWhileLooking, isAway } from "@server/house/away";
import { CLIENT_ADDRESS } from "@server/house/client";
import { logError } from "@server/house/log";
import { countStranger } from "@server/house/measure";
import { Refusal } from "@server/house/refusal";
import { getSettings } from "@server/house/settings";
import { actorOf } from "@server/people/models/actor";
import { owesCode } from "@server/people/models/owes-code";
import type { APIContext, MiddlewareNext } from "astro";
import { faultResponse, refusalResponse } from "./endpoint";

/** Drawn for strangers too: each address opens no more of them than a class does. */
const DRAWN_FOR_STRANGERS = /^\/((join|sign-up)\/|begin$|api\/calendar\/)/;
/** Reached without being signed in. */
const OPEN_PATHS = [
	/^\/sign-in$/,
	/^\/api\/auth\//,
	/^\/api\/health(\/|$)/,
	/^\/(away|fault)$/,
	/^\/(begin|api\/begin)$/,
	/^\/api\/calendar\/[\w-]{32}\.ics$/,
	/^\/(join|sign-up)\/[\w-]{32}$/,
	/^\/_astro\//,
	/^\/favicon/,
];
/** Of those, where it matters all the same who asks. */
const ASKED_ALL_THE_SAME = ["/sign-in", "/api/begin"];
/** All there is for somebody who owes the studio a code of a device. */
const OWING_PATHS = [/^\/code$/, /^\/api\/do\/(begin|confirm)SecondFactor$/, /^\/sign-in$/];
/** Who asks, may they, and what becomes of an error that nobody foresaw. Headers that every answer carries are the entry's. */
export const onRequest = defineMiddleware(async (context, next) => {
	context.locals.now = new Date();
	context.locals.request = randomBytes(4).toString("hex");
	const response = await answered(context, next);
	response.headers.set("X-Request-Id", context.locals.request);
	return response;
});

const isToProgram = ({ url }: APIContext): boolean => url.pathname.startsWith("/api/");

async function answered(context: APIContext, next: MiddlewareNext): Promise<Response> {
	const { url, request, locals } = context;
	try {
		if (await isUnbegun()) return await beforeItIsBegun(context, next);
		if (DRAWN_FOR_STRANGERS.test(url.pathname)) countStranger(request.headers.get(CLIENT_ADDRESS) ?? "");
		const open = OPEN_PATHS.some((path) => path.test(url.pathname));
		const known = !open || ASKED_ALL_THE_SAME.includes(url.pathname);
		locals.actor = known ? await actorOf(request.headers, locals.now) : undefined;
		if (!open && !locals.actor) return signedOut(context);
		refuseOtherOrigins(request);
		if (locals.actor && !OWING_PATHS.some((path) => path.test(url.pathname)) && (await owesCode(locals.actor)))
			return codeFirst(context);
		return await next();
	} catch (error) {
		return troubled(context, error);
	}
}

function signedOut(context: APIContext): Response {
	const { url } = context;
	if (!isToProgram(context)) return context.redirect(`/sign-in?then=${encodeURIComponent(url.pathname + url.search)}`);
	return refusalResponse(new Refusal("signedOut", "You are signed out. Sign in again; what you typed is still here."));
}

function codeFirst(context: APIContext): Response {
	if (!isToProgram(context)) return context.redirect("/code");
	const sentence = "This studio asks for a code besides the password: set yours up first, on the page that comes up.";
	return refusalResponse(new Refusal("forbidden", sentence));
}

/** What went wrong, as whoever asked can read it. */
function troubled(context: APIContext, error: unknown): Response | Promise<Response> {
	const { url, request, locals } = context;
	const toProgram = isToProgram(context);
	if (error instanceof Refusal)
		return toProgram || request.method !== "GET"
			? refusalResponse(error)
			: new Response(error.message, { status: error.status });
	const away = isAway(error);
	logError(`${request.method} ${url.pathname}`, error, { request: locals.request, person: locals.actor?.id });
	if (!toProgram) return context.rewrite(away ? "/away" : "/fault");
	if (!away) return faultResponse(locals.request);
	return refusalResponse(request.method === "GET" ? awayWhileLooking() : awayWhileDoing());
}

/** A book without a studio: only its first page is there. */
async function beforeItIsBegun(context: APIContext, next: MiddlewareNext): Promise<Response> {
	const { url, request } = context;
	if (/^\/(begin$|away$|fault$|_astro\/|favicon|api\/health\/)/.test(url.pathname)) {
		refuseOtherOrigins(request);
		return next();
	}
	if (url.pathname.startsWith("/api/")) return refusalResponse(new Refusal("missing", "This studio is not begun yet."));
	return context.redirect("/begin");
}

/** Whatever writes comes from our own pages. @throws Refusal */
function refuseOtherOrigins(request: Request): void {
	const origin = request.headers.get("origin");
	if (request.method === "GET") return;
	if (origin === null || origin !== new URL(getSettings().publicUrl).origin)
		throw new Refusal("forbidden", "This request did not come from the studio’s own pages.");
}
