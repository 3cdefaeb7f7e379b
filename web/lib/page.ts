import type { ViewName, Views } from "@contract/views";
import { Refusal } from "@server/refusal";
import { see } from "@server/see";
import type { AstroGlobal } from "astro";
import type { FramedProps } from "../ui/framed";
import { PREFS_COOKIE, readPrefs } from "./prefs";

/** Everything a station's page needs for its first picture; a refusal becomes the page's status and sentence. */
export async function pageProps<N extends ViewName>(
	astro: AstroGlobal,
	name: N,
	extra: Record<string, string> = {},
): Promise<FramedProps<N> | { refused: string }> {
	const { actor, now } = astro.locals;
	if (!actor) return { refused: "You are signed out." };
	const params = { ...Object.fromEntries(astro.url.searchParams), ...extra };
	try {
		const [frame, initial] = await Promise.all([see("frame", {}, { actor, now }), see(name, params, { actor, now })]);
		return { frame, initial: initial as Views[N], params, prefs: readPrefs(astro.cookies.get(PREFS_COOKIE)?.value) };
	} catch (error) {
		if (!(error instanceof Refusal)) throw error;
		astro.response.status = error.status;
		return { refused: error.message };
	}
}
