import { Refusal } from "./refusal";

/** The driver's and the system's words for no connection. */
const NO_CONNECTION = /^(CONNECTION_(CLOSED|ENDED|DESTROYED)|CONNECT_TIMEOUT|ECONN(REFUSED|RESET)|EPIPE|ENOTFOUND)$/;
/** Connection errors, and a server that stops or starts. Source: PostgreSQL's manual, appendix A. */
const NOT_READY = /^(08...|57P0[1-4])$/;
const DEEP = 5;

/** Whether an error says that the database cannot be reached: at once, or while it was asked. */
export function isAway(error: unknown): boolean {
	let one = error;
	for (let i = 0; i < DEEP && typeof one === "object" && one !== null; i++) {
		const { code, cause } = one as { code?: unknown; cause?: unknown };
		if (typeof code === "string" && (NO_CONNECTION.test(code) || NOT_READY.test(code))) return true;
		one = cause;
	}
	return false;
}

/** Said to who only looks, and to who did something: that may have been kept before the connection went. */
export const awayWhileLooking = () =>
	new Refusal("away", "The studio’s book cannot be reached just now. Try again in a moment.");
export const awayWhileDoing = () =>
	new Refusal(
		"away",
		"The studio’s book cannot be reached just now. This may have been kept all the same: send it again in a moment, it counts once.",
	);
