import { createHmac, randomBytes, timingSafeEqual } from "node:crypto";
import { CLIENT_ADDRESS } from "../../house/client";
import { getSettings } from "../../house/settings";
import type { Tried } from "./back-off";
import { cookiePrefix } from "./sign-in";

/** A shared tablet knows so many people, the last ones. */
const MOST_PEOPLE = 12;
const LONGEST_S = 365 * 86_400;
/** The browser’s own number, then a mark for each e-mail: 16 random bytes, 16 bytes of HMAC-SHA-256, as base64url. */
const FORM = "([\\w-]{22}(?:\\.[\\w-]{22}){1,12})";
const name = () => `${cookiePrefix()}.known`;

/**
 * Under what a try with this e-mail is counted. A browser from which somebody came in before is known to the door for them: wrong tries from elsewhere, or by others of its
 * address, do not make them wait. Its cookie opens nothing; whoever steals it gets a count of tries of its own, no more.
 * Source: OWASP, “Slow down online guessing attacks with device cookies”.
 */
export function triedWith(headers: Headers, email: string): Tried {
	const { browser, marks } = known(headers);
	const mark = Buffer.from(markOf(browser, email));
	if (marks.some((one) => timingSafeEqual(Buffer.from(one), mark)))
		return [{ kind: "known", of: `${browser} ${email}` }];
	return [
		{ kind: "account", of: email },
		{ kind: "address", of: headers.get(CLIENT_ADDRESS) ?? "" },
	];
}

/** The cookie of a browser from which this e-mail has come in just now, as a Set-Cookie header has it. */
export function knownCookie(headers: Headers, email: string): string {
	const { browser, marks } = known(headers);
	const mark = markOf(browser, email);
	const value = [browser, mark, ...marks.filter((one) => one !== mark)].slice(0, MOST_PEOPLE + 1).join(".");
	const secure = getSettings().publicUrl.startsWith("https:") ? "; Secure" : "";
	return `${name()}=${value}; Path=/; Max-Age=${LONGEST_S}; HttpOnly; SameSite=Lax${secure}`;
}

function known(headers: Headers): { browser: string; marks: string[] } {
	const cookie = new RegExp(`(?:^|; *)${name()}=${FORM}(?=;|$)`);
	const [browser, ...marks] = cookie.exec(headers.get("cookie") ?? "")?.[1]?.split(".") ?? [];
	return { browser: browser ?? randomBytes(16).toString("base64url"), marks };
}

const markOf = (browser: string, email: string): string =>
	createHmac("sha256", getSettings().secret)
		.update(`known browser ${browser} ${email.trim().toLowerCase()}`)
		.digest()
		.subarray(0, 16)
		.toString("base64url");
