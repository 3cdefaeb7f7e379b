import { type ViewName, views } from "@contract/views";
import { look } from "@server/house/look";
import { countLook } from "@server/house/measure";
import { Refusal } from "@server/house/refusal";
import { answerWritten, who } from "@web/endpoint";
import type { APIRoute } from "astro";

export const GET: APIRoute = (context) =>
	answerWritten(async () => {
		const name = context.params.view ?? "";
		if (!Object.hasOwn(views, name)) throw new Refusal("missing", `There is no view ${name}.`);
		const params = Object.fromEntries(context.url.searchParams);
		const asking = who(context);
		countLook(asking.actor.sessionId, views[name as ViewName].cost);
		return look(name as ViewName, params, asking);
	});
