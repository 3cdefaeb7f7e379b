import { database } from "@server/database";
import { answer } from "@web/endpoint";
import type { APIRoute } from "astro";
import { sql } from "drizzle-orm";

export const GET: APIRoute = () =>
	answer(async () => {
		await database().db.execute(sql`select 1`);
		return { ok: true };
	});
