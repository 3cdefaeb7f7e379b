import type { ViewName, ViewParams, Views } from "@contract/views";
import type { Database } from "@db/connect";
import type { Studio } from "@db/queries/studio";
import type { Actor } from "./context";

/** What a view is made from: it only reads. */
export interface ViewContext {
	db: Database;
	studio: Studio;
	actor: Actor;
	now: Date;
}

export type View<N extends ViewName> = (context: ViewContext, params: ViewParams<N>) => Promise<Views[N]>;

/** How {@link briefs} dates its pieces. */
export const when = ({ now, studio }: ViewContext) => ({
	now,
	timeZone: studio.timeZone,
	usualHours: studio.customs.usualHours,
});
