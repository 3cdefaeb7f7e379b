import { type ActionName, actions } from "@contract/actions";
import { database } from "@server/database";
import { perform } from "@server/perform";
import { Refusal } from "@server/refusal";
import { answer, readJson, who } from "@web/endpoint";
import type { APIRoute } from "astro";

export const POST: APIRoute = (context) =>
	answer(async () => {
		const name = context.params.action ?? "";
		if (!Object.hasOwn(actions, name)) throw new Refusal("missing", `There is no action ${name}.`);
		return perform(database().db, name as ActionName, await readJson(context.request), who(context));
	});
