import { database } from "@server/house/database";
import { answer } from "@web/endpoint";
import type { APIRoute } from "astro";

export const GET: APIRoute = () =>
	answer(async () => {
		await database().sql`select 1`;
		return { ok: true };
	});
