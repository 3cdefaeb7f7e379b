import { health } from "@server/house/health";
import { RETRY_AFTER_S } from "@web/endpoint";
import type { APIRoute } from "astro";

/** Requests can be answered: the database is there and changes are heard of. 503 where not; how the kilns are heard stands beside it. */
export const GET: APIRoute = async () => {
	const state = await health();
	return Response.json(state, state.ok ? {} : { status: 503, headers: { "Retry-After": RETRY_AFTER_S } });
};
