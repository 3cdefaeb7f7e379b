import type { Action } from "@contract/action";
import { type ActionName, actions } from "@contract/actions";
import { database } from "@server/house/database";
import { viewsShowing } from "@server/house/live";
import { refuseUnlessMay } from "@server/house/may";
import { countAction, IMAGE_COST } from "@server/house/measure";
import { perform } from "@server/house/perform";
import { Refusal } from "@server/house/refusal";
import { LARGEST_UPLOAD_BYTES } from "@server/house/uploads";
import { answer, readBytes, readJson, refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

/** An action: its fields as JSON, or an image as the body with its fields in the address. Answers also which views it changed. */
export const POST: APIRoute = async (context) => {
	const name = context.params.action ?? "";
	if (!Object.hasOwn(actions, name)) return refusalResponse(new Refusal("missing", `There is no action ${name}.`));
	const { role, upload, mostBytes, topics }: Action = actions[name as ActionName];
	const { request, url } = context;
	return answer(
		async () => {
			// By the mark the page knows its own doing when the stream tells of it.
			const asking = who(context);
			// Before a body is read: whoever may not, and whoever does too much.
			await refuseUnlessMay(database().db, name, role, asking);
			countAction(asking.actor.id, upload ? IMAGE_COST : 1);
			const sent = { ...asking, mark: request.headers.get("X-Zephyr-Mark")?.slice(0, 40) };
			const { db } = database();
			if (!upload) return perform(db, name as ActionName, await readJson(request, mostBytes), sent);
			const bytes = await readBytes(request, LARGEST_UPLOAD_BYTES);
			return perform(db, name as ActionName, Object.fromEntries(url.searchParams), { ...sent, bytes });
		},
		{ "X-Zephyr-Views": viewsShowing(topics).join(" ") },
	);
};
