import { problemsOf } from "@contract/problems";
import type { View as Contract } from "@contract/view";
import { views as contracts, type ViewName, type ViewParams, type Views } from "@contract/views";
import type { Database } from "@db/connect";
import { loadStudio, type Studio } from "@db/queries/studio";
import { views } from "../views";
import type { Actor } from "./context";
import { inTime } from "./in-transaction";
import type { Made } from "./kept-answers";
import { refuseUnlessMay } from "./may";
import { Refusal } from "./refusal";
import type { OwnViewContext } from "./view";

interface Asking {
	actor: Actor;
	now: Date;
}

/** A view that somebody may see, with its parameters read. */
export interface Question<N extends ViewName> {
	name: N;
	contract: Contract;
	params: ViewParams<N>;
}

/** Who asks may, and what they ask can be read. @throws Refusal */
export async function asked<N extends ViewName>(
	db: Database,
	name: N,
	raw: Record<string, string>,
	asking: Asking,
): Promise<Question<N>> {
	const contract: Contract = contracts[name];
	await refuseUnlessMay(db, name, contract.role, asking);
	const parsed = contract.schema.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	return { name, contract, params: parsed.data as ViewParams<N> };
}

type AnyView<N extends ViewName> = (context: OwnViewContext, params: ViewParams<N>) => Promise<Views[N]>;

/** Makes a view, and says whether it looked at the clock. Who asks is shown to those views only that are somebody's own. */
export async function made<N extends ViewName>(
	db: Database,
	{ name, contract, params }: Question<N>,
	{ studio, actor, now }: Asking & { studio: Studio },
): Promise<Made<Views[N]>> {
	let byTheClock = false;
	const context = {
		db,
		studio,
		role: actor.role,
		get now() {
			byTheClock = true;
			return now;
		},
		...(contract.own && { actor }),
	};
	const value = await (views[name] as AnyView<N>)(context as OwnViewContext, params);
	return { value, byTheClock };
}

/** What a page or an endpoint shows: one view, as it is now. Its parameters are text, as an address carries them. */
export async function see<N extends ViewName>(
	db: Database,
	name: N,
	raw: Record<string, string>,
	asking: Asking,
): Promise<Views[N]> {
	const question = await asked(db, name, raw, asking);
	const studio = await inTime(loadStudio(db));
	return (await made(db, question, { studio, ...asking })).value;
}

/** Of an address's parameters, those that a view knows. */
export function knownParams(name: ViewName, all: Record<string, string>): Record<string, string> {
	const { shape } = contracts[name].schema;
	return Object.fromEntries(Object.entries(all).filter(([key]) => Object.hasOwn(shape, key)));
}
