import { type ViewName, views } from "@contract/views";
import { database } from "@server/house/database";
import { countLook } from "@server/house/measure";
import { Refusal } from "@server/house/refusal";
import { see } from "@server/house/see";
import { answer, who } from "@web/endpoint";
import type { APIRoute } from "astro";

export const GET: APIRoute = (context) =>
	answer(async () => {
		const name = context.params.view ?? "";
		if (!Object.hasOwn(views, name)) throw new Refusal("missing", `There is no view ${name}.`);
		const params = Object.fromEntries(context.url.searchParams);
		const asking = who(context);
		countLook(asking.actor.sessionId, views[name as ViewName].cost);
		return see(database().db, name as ViewName, params, asking);
	});
