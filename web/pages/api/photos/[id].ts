import { id } from "@contract/fields";
import { photoFile } from "@server/pieces/photo-file";
import { webp } from "@web/endpoint";
import type { APIRoute } from "astro";

/** A photo, or its thumbnail with ?size=small. Photos never change: browsers may keep them. */
export const GET: APIRoute = async ({ params, url }) => {
	const known = id.safeParse(params.id);
	const size = url.searchParams.get("size") === "small" ? "small" : "whole";
	return webp(known.success ? await photoFile(known.data, size) : undefined, "private, max-age=31536000, immutable");
};
