import { id } from "@contract/fields";
import { photoFile } from "@server/pieces/photo-file";
import { webp } from "@web/endpoint";
import type { APIRoute } from "astro";

/** A photo, or its thumbnail with ?size=small. Photos never change; who may still see them is asked each time. */
export const GET: APIRoute = async ({ params, url, request }) => {
	const known = id.safeParse(params.id);
	const size = url.searchParams.get("size") === "small" ? "small" : "whole";
	const tag = `"${params.id}-${size}"`;
	if (request.headers.get("if-none-match") === tag) return new Response(null, { status: 304, headers: { ETag: tag } });
	const response = webp(known.success ? await photoFile(known.data, size) : undefined, "private, no-cache");
	if (response.ok) response.headers.set("ETag", tag);
	return response;
};
