import { studioNow } from "@server/house/look";
import { unitsOf } from "@server/house/units-of";
import type { APIContext } from "astro";
import { PREFS_COOKIE, readPrefs } from "./prefs";

/** What somebody reads a paper in: their own units, else the studio's. */
export const readerUnits = async ({ cookies }: Pick<APIContext, "cookies">) =>
	readPrefs(cookies.get(PREFS_COOKIE)?.value, unitsOf(await studioNow())).units;
