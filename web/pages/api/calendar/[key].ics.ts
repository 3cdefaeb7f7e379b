import { feedFor } from "@server/courses/feed";
import { database } from "@server/house/database";
import type { APIRoute } from "astro";

/** The calendar feed. The key is the only thing asked for: calendar programs cannot sign in. */
export const GET: APIRoute = async ({ params, locals }) => {
	const feed = await feedFor(database().db, params.key ?? "", locals.now);
	return feed === undefined
		? new Response(null, { status: 404 })
		: new Response(feed, {
				headers: { "Content-Type": "text/calendar; charset=utf-8", "Cache-Control": "private, no-cache" },
			});
};
