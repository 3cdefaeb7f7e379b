import { leaveDemo } from "@server/begin/door";
import { answer, readJson } from "@web/endpoint";
import type { APIRoute } from "astro";
import { z } from "zod";

const asked = z.strictObject({ key: z.string().max(100).nullable() });

/** The demo is left for a studio of one's own: answers the key of its first page, and stops. */
export const POST: APIRoute = ({ request, locals }) =>
	answer(async () => {
		const { data } = asked.safeParse(await readJson(request, 1024));
		return { key: leaveDemo(locals.actor !== undefined, data?.key ?? null) };
	});
