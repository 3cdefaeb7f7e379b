import { randomBytes, timingSafeEqual } from "node:crypto";
import { studio } from "@db/schema";
import { database } from "../house/database";
import { Refusal } from "../house/refusal";

/** Whoever holds this key may write the studio down; undefined once that was done before the server began. */
const key = () => process.env.ZEPHYR_BEGIN_KEY || undefined;

let begun = false;

/** Is there no studio in this book yet? */
export async function isUnbegun(): Promise<boolean> {
	if (begun || key() === undefined) return false;
	const [row] = await database().db.select({ id: studio.id }).from(studio).limit(1);
	begun = row !== undefined;
	return !begun;
}

/** Whose door it is. */
export async function loadDoor(): Promise<{ name: string; isDemo: boolean }> {
	const [row] = await database().db.select({ name: studio.name, isDemo: studio.isDemo }).from(studio).limit(1);
	return row ?? { name: "", isDemo: false };
}

/** The key with which a book without a studio is begun. */
export const isKey = (shown: string | null): boolean => isSame(shown, key());

/** The key, printed where the program runs, with which its demo is left. */
export const isLeaveKey = (shown: string | null): boolean =>
	mayLeaveDemo() && isSame(shown, process.env.ZEPHYR_LEAVE_KEY);

function isSame(shown: string | null, right: string | undefined): boolean {
	const [a, b] = [Buffer.from(shown ?? ""), Buffer.from(right ?? "")];
	return a.length > 0 && a.length === b.length && timingSafeEqual(a, b);
}

/** Tells the start command that the studio is there: it begins to copy and to look after it. */
export function tellBegun(): void {
	begun = true;
	process.send?.({ begun: true });
}

/** May a studio of one's own be begun from here: the demo on a machine that only its own users reach. */
const mayLeaveDemo = (): boolean => Boolean(process.env.ZEPHYR_LEAVE_KEY) && process.send !== undefined;

/** Time for the answer to reach whoever pressed before the demo stops, ms. */
const LEAVING_MS = 500;

/**
 * Stops the demo and begins a studio beside it, for somebody who is signed in or holds the printed key: other users of this machine
 * reach its door too. Returns the key for the studio’s first page.
 */
export function leaveDemo(isSignedIn: boolean, shown: string | null): string {
	if (!mayLeaveDemo())
		throw new Refusal("conflict", "A studio of your own is begun where the program runs: stop it, then ./start --own.");
	if (!isSignedIn && !isLeaveKey(shown))
		throw new Refusal("forbidden", "Sign in first, or take the address that ./start printed.");
	const begin = randomBytes(24).toString("base64url");
	setTimeout(() => process.send?.({ begin }), LEAVING_MS);
	return begin;
}
