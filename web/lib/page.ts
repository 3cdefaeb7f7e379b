import type { ViewName } from "@contract/views";
import { look } from "@server/house/look";
import { countLook } from "@server/house/measure";
import { Refusal } from "@server/house/refusal";
import { knownParams } from "@server/house/see";
import type { AstroGlobal } from "astro";
import type { FramedProps } from "../ui/frame/framed";
import { type Instead, insteadOf } from "./instead";
import { PREFS_COOKIE, readPrefs } from "./prefs";

/** A page is several looks, drawn. */
const PAGE_COST = 4;

/** Everything a station's page needs for its first picture; a refusal becomes the page's status and sentence. */
export async function pageProps<N extends ViewName>(
	astro: AstroGlobal,
	name: N,
	extra: Record<string, string> = {},
): Promise<FramedProps<N> | { refused: Instead }> {
	const { actor, now } = astro.locals;
	if (!actor) return { refused: { sentence: "You are signed out.", path: "/sign-in", words: "Sign in" } };
	const params = knownParams(name, { ...Object.fromEntries(astro.url.searchParams), ...extra });
	try {
		countLook(actor.sessionId, PAGE_COST);
		const asking = { actor, now };
		const [frame, strip, initial] = await Promise.all([
			look("frame", {}, asking),
			look("kilnStrip", {}, asking),
			look(name, params, asking),
		]);
		const prefs = readPrefs(astro.cookies.get(PREFS_COOKIE)?.value, frame.value.units);
		const person = { name: actor.name, role: actor.role };
		return {
			frame: frame.value,
			strip: strip.value,
			initial: initial.value,
			...{ person, now: now.toISOString(), params, prefs },
		};
	} catch (error) {
		if (!(error instanceof Refusal)) throw error;
		astro.response.status = error.status;
		const instead = ["invalid", "missing"].includes(error.kind) ? insteadOf(name) : undefined;
		return { refused: instead ?? { sentence: error.message, path: "/", words: "Go to Today" } };
	}
}
