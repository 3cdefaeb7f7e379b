import { problemsOf } from "@contract/problems";
import type { View as Contract } from "@contract/view";
import { views as contracts, type ViewName, type ViewParams, type Views } from "@contract/views";
import type { Database } from "@db/connect";
import { loadStudio } from "@db/queries/studio";
import { views } from "../views";
import type { Actor } from "./context";
import { inTime } from "./in-transaction";
import { refuseUnlessMay } from "./may";
import { Refusal } from "./refusal";
import type { View } from "./view";

/** What a page or an endpoint shows: one view, as it is now. Its parameters are text, as an address carries them. */
export async function see<N extends ViewName>(
	db: Database,
	name: N,
	raw: Record<string, string>,
	{ actor, now }: { actor: Actor; now: Date },
): Promise<Views[N]> {
	const contract: Contract = contracts[name];
	await refuseUnlessMay(db, name, contract.role, { actor, now });
	const parsed = contract.schema.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const studio = await inTime(loadStudio(db));
	return (views[name] as View<N>)({ db, studio, actor, now }, parsed.data as ViewParams<N>);
}

/** Of an address's parameters, those that a view knows. */
export function knownParams(name: ViewName, all: Record<string, string>): Record<string, string> {
	const { shape } = contracts[name].schema;
	return Object.fromEntries(Object.entries(all).filter(([key]) => Object.hasOwn(shape, key)));
}
