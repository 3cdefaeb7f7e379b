import type { Before } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { countTry, wasRight } from "./back-off";
import { signIn } from "./sign-in";

/** That whoever sits there knows their own password, or a refusal; tries are counted as at the door. */
export async function askPassword({ db, actor, headers, now }: Before, current: string): Promise<void> {
	const tried = [{ kind: "own" as const, of: actor.id }];
	await countTry(db, tried, now);
	try {
		await signIn().api.verifyPassword({ body: { password: current }, headers });
	} catch {
		throw new Refusal("invalid", [{ path: ["current"], sentence: "The present password is not right." }]);
	}
	await wasRight(db, tried);
}
