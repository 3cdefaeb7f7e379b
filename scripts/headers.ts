import type { ServerResponse } from "node:http";

/**
 * Headers of every answer, whatever it is. Source: OWASP HTTP Headers Cheat Sheet; the pages' own content policy stands in
 * them, as hashes of what was built.
 * @param https whether browsers reach the application over TLS
 * @param part a script, style or font of a page, not a document: it needs only what keeps it from being taken for another kind
 */
export function secure(response: ServerResponse, https: boolean, part: boolean): void {
	response.setHeader("X-Content-Type-Options", "nosniff");
	if (https) response.setHeader("Strict-Transport-Security", "max-age=31536000");
	if (part) return;
	response.setHeader("X-Frame-Options", "DENY");
	response.setHeader("Content-Security-Policy", "frame-ancestors 'none'; object-src 'none'; base-uri 'none'");
	response.setHeader("Referrer-Policy", "same-origin");
	response.setHeader("Permissions-Policy", "camera=(self), microphone=(), geolocation=()");
	response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
	response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
	response.setHeader("Cache-Control", "no-store");
}
