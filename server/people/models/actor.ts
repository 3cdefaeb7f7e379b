import { ROLES } from "@contract/people";
import type { Actor } from "../../house/context";
import { signIn } from "./sign-in";

/** Who asks, from the session's cookie; undefined when nobody is signed in, or somebody of a role we do not know. */
export async function actorOf(headers: Headers): Promise<Actor | undefined> {
	const found = await signIn().api.getSession({ headers });
	if (!found) return undefined;
	const { user, session } = found;
	const role = ROLES.find((one) => one === user.role);
	return role && { id: user.id, sessionId: session.id, name: user.name, role };
}
