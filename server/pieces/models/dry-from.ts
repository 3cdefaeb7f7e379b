import type { Glue } from "@core/journey/events";
import type { Context } from "../../house/context";

/** When a piece glued now is dry, by the studio’s own times. */
export const dryFrom = ({ now, studio }: Context, glue: Glue) =>
	new Date(now.getTime() + studio.customs.dryMin[glue] * 60_000).toISOString();
