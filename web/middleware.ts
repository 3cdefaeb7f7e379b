import { defineMiddleware } from "astro:middleware";
import { randomBytes } from "node:crypto";
import { isUnbegun } from "@server/begin/door";
import { awayWhileDoing, awayWhileLooking, isAway } from "@server/house/away";
import { logError } from "@server/house/log";
import { Refusal } from "@server/house/refusal";
import { getSettings } from "@server/house/settings";
import { actorOf } from "@server/people/models/actor";
import type { APIContext, MiddlewareNext } from "astro";
import { faultResponse, refusalResponse } from "./endpoint";

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
const ASKED_ALL_THE_SAME = "/sign-in";
/** Who asks, may they, and what becomes of an error that nobody foresaw. Headers that every answer carries are the entry's. */
export const onRequest = defineMiddleware(async (context, next) => {
	context.locals.now = new Date();
	context.locals.request = randomBytes(4).toString("hex");
	const response = await answered(context, next);
	response.headers.set("X-Request-Id", context.locals.request);
	return response;
});

async function answered(context: APIContext, next: MiddlewareNext): Promise<Response> {
	const { url, request, locals } = context;
	const toProgram = url.pathname.startsWith("/api/");
	try {
		if (await isUnbegun()) return await beforeItIsBegun(context, next);
		const open = OPEN_PATHS.some((path) => path.test(url.pathname));
		const known = !open || url.pathname === ASKED_ALL_THE_SAME;
		locals.actor = known ? await actorOf(request.headers, locals.now) : undefined;
		if (!open && !locals.actor) {
			if (toProgram)
				return refusalResponse(
					new Refusal("signedOut", "You are signed out. Sign in again; what you typed is still here."),
				);
			return context.redirect(`/sign-in?then=${encodeURIComponent(url.pathname + url.search)}`);
		}
		if (request.method !== "GET" && !sameOrigin(request))
			return refusalResponse(new Refusal("forbidden", "This request did not come from the studio’s own pages."));
		return await next();
	} catch (error) {
		const away = isAway(error);
		logError(`${request.method} ${url.pathname}`, error, { request: locals.request, person: locals.actor?.id });
		if (!toProgram) return context.rewrite(away ? "/away" : "/fault");
		if (!away) return faultResponse(locals.request);
		return refusalResponse(request.method === "GET" ? awayWhileLooking() : awayWhileDoing());
	}
}

/** A book without a studio: only its first page is there. */
async function beforeItIsBegun(context: APIContext, next: MiddlewareNext): Promise<Response> {
	const { url, request } = context;
	if (/^\/(begin$|away$|fault$|_astro\/|favicon|api\/health\/)/.test(url.pathname)) {
		if (request.method !== "GET" && !sameOrigin(request))
			return refusalResponse(new Refusal("forbidden", "This request did not come from the studio’s own pages."));
		return next();
	}
	if (url.pathname.startsWith("/api/")) return refusalResponse(new Refusal("missing", "This studio is not begun yet."));
	return context.redirect("/begin");
}

function sameOrigin(request: Request): boolean {
	const origin = request.headers.get("origin");
	return origin !== null && origin === new URL(getSettings().publicUrl).origin;
}
