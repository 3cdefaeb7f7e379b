import { ROLES } from "@contract/people";
import type { Actor } from "../../house/context";
import { signIn } from "./sign-in";

/** A session ends after this however often it is used, ms. Source: NIST SP 800-63B 4.1.3, 30 days. */
export const LONGEST_SESSION_MS = 30 * 86_400_000;

/** Who asks, from the session's cookie; undefined for nobody, for somebody of no role we know, disabled, or signed in for too long. */
export async function actorOf(headers: Headers, now = new Date()): Promise<Actor | undefined> {
	const found = await signIn().api.getSession({ headers });
	if (!found) return undefined;
	const { user, session } = found;
	if (user.disabledAt || now.getTime() - session.createdAt.getTime() > LONGEST_SESSION_MS) return undefined;
	const role = ROLES.find((one) => one === user.role);
	return role && { id: user.id, sessionId: session.id, name: user.name, role };
}
