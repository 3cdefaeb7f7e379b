import type { ViewName, Views } from "@contract/views";
import { loadStudio } from "@db/queries/studio";
import { database } from "./database";
import type { Actor } from "./perform";
import { views } from "./views";
import type { View } from "./views/context";

/** What a page or an endpoint shows: one view, as it is now. */
export async function see<N extends ViewName>(
	name: N,
	params: URLSearchParams | Record<string, string>,
	who: { actor: Actor; now: Date },
): Promise<Views[N]> {
	const { db } = database();
	const studio = await loadStudio(db);
	return (views[name] as View<N>)({ db, studio, ...who }, new URLSearchParams(params));
}
