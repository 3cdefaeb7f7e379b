import type { Role } from "@contract/people";
import type { ViewName, ViewParams, Views, views } from "@contract/views";
import type { Database } from "@db/connect";
import type { Studio } from "@db/queries/studio";
import type { Actor } from "./context";

/** What a view is made from: it only reads. It is the same for everybody of a role, so it knows no more of who asks. */
export interface ViewContext {
	db: Database;
	studio: Studio;
	role: Role;
	/** An answer for which this was read is given again for seconds only. */
	readonly now: Date;
}

/** What a view of somebody's own is made from. */
export interface OwnViewContext extends ViewContext {
	actor: Actor;
}

type ContextOf<N extends ViewName> = (typeof views)[N] extends { own: true } ? OwnViewContext : ViewContext;

export type View<N extends ViewName> = (context: ContextOf<N>, params: ViewParams<N>) => Promise<Views[N]>;
