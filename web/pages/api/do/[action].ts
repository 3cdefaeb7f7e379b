import { type ActionName, actions } from "@contract/actions";
import { database } from "@server/database";
import { perform } from "@server/perform";
import { Refusal } from "@server/refusal";
import { answer, readJson, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** A kiln's log is a file; everything else is what a person typed. */
const LARGEST_LOG_BYTES = 16 * 1024 * 1024;

export const POST: APIRoute = (context) =>
	answer(async () => {
		const name = context.params.action ?? "";
		if (!Object.hasOwn(actions, name)) throw new Refusal("missing", `There is no action ${name}.`);
		return perform(database().db, name as ActionName, await body(name, context.request), who(context));
	});

const body = (name: string, request: Request) =>
	name === "importKilnLog" ? readJson(request, LARGEST_LOG_BYTES) : readJson(request);
