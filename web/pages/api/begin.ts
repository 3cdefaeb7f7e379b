import { leaveDemo } from "@server/begin/door";
import { answer } from "@web/endpoint";
import type { APIRoute } from "astro";

/** The demo is left for a studio of one's own: answers the key of its first page, and stops. */
export const POST: APIRoute = () => answer(async () => ({ key: leaveDemo() }));
