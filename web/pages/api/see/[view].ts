import type { ViewName } from "@contract/views";
import { Refusal } from "@server/refusal";
import { see } from "@server/see";
import { views } from "@server/views";
import { answer, who } from "@web/endpoint";
import type { APIRoute } from "astro";

export const GET: APIRoute = (context) =>
	answer(async () => {
		const name = context.params.view ?? "";
		if (!Object.hasOwn(views, name)) throw new Refusal("missing", `There is no view ${name}.`);
		return see(name as ViewName, context.url.searchParams, who(context));
	});
