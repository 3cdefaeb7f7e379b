import type { APIRoute } from "astro";
import { sql } from "drizzle-orm";
import { database } from "@server/database";
import { answer } from "@web/endpoint";

export const GET: APIRoute = () =>
	answer(async () => {
		await database().db.execute(sql`select 1`);
		return { ok: true };
	});
