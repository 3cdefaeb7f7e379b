import type { Actor } from "../perform";
import { signIn } from "./sign-in";

/** Who asks, from the session's cookie; undefined when nobody is signed in. */
export async function actorOf(headers: Headers): Promise<Actor | undefined> {
	const found = await signIn().api.getSession({ headers });
	if (!found) return undefined;
	const { user, session } = found;
	return {
		id: user.id,
		sessionId: session.id,
		name: user.name,
		role: user.role === "instructor" ? "instructor" : "assistant",
	};
}
