import { defineMiddleware } from "astro:middleware";
import { Refusal } from "@server/house/refusal";
import { getSettings } from "@server/house/settings";
import { actorOf } from "@server/people/models/actor";
import { refusalResponse } from "./endpoint";

const OPEN_PATHS = [/^\/sign-in$/, /^\/api\/auth\//, /^\/api\/health$/, /^\/_astro\//, /^\/favicon/];

/** Who asks, may they, and the headers every answer carries. */
export const onRequest = defineMiddleware(async (context, next) => {
	const { url } = context;
	context.locals.now = new Date();
	const open = OPEN_PATHS.some((path) => path.test(url.pathname));
	context.locals.actor = open && url.pathname !== "/sign-in" ? undefined : await actorOf(context.request.headers);
	if (!open && !context.locals.actor) {
		if (url.pathname.startsWith("/api/"))
			return refusalResponse(
				new Refusal("signedOut", "You are signed out. Sign in again; what you typed is still here."),
			);
		return context.redirect(`/sign-in?then=${encodeURIComponent(url.pathname + url.search)}`);
	}
	if (context.request.method !== "GET" && !sameOrigin(context.request)) {
		return refusalResponse(new Refusal("forbidden", "This request did not come from the studio’s own pages."));
	}
	const response = await next();
	secure(response.headers);
	return response;
});

function sameOrigin(request: Request): boolean {
	const origin = request.headers.get("origin");
	return origin !== null && origin === new URL(getSettings().publicUrl).origin;
}

function secure(headers: Headers): void {
	headers.set("X-Content-Type-Options", "nosniff");
	headers.set("X-Frame-Options", "DENY");
	headers.set("Referrer-Policy", "same-origin");
	headers.set("Permissions-Policy", "camera=(self), microphone=(), geolocation=()");
	headers.set("Cross-Origin-Opener-Policy", "same-origin");
	if (!headers.has("Cache-Control")) headers.set("Cache-Control", "no-store");
	if (getSettings().publicUrl.startsWith("https:")) headers.set("Strict-Transport-Security", "max-age=31536000");
}
