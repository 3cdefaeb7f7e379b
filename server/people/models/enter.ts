import type { Database } from "@db/connect";
import { changeSecondFactor, lockSecondFactor } from "@db/queries/people";
import { session, user } from "@db/schema";
import { symmetricDecrypt } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { noteAudit } from "../../house/audit";
import { CLIENT_ADDRESS } from "../../house/client";
import { inTransaction } from "../../house/in-transaction";
import { Refusal } from "../../house/refusal";
import { getSettings } from "../../house/settings";
import { countTry, wasRight } from "./back-off";
import { recoveryHash, stepOf } from "./one-time-code";
import { signIn } from "./sign-in";
import { tellPeople } from "./tell";

export interface Credentials {
	email: string;
	password: string;
	/** Of a device or a recovery code, for those of whom one is asked. */
	code?: string | undefined;
}

const ASK_CODE = new Refusal("signedOut", [
	{ path: ["code"], sentence: "Type the six digits that your device shows, or a code you wrote down." },
]);
const WRONG_CODE = new Refusal("signedOut", [{ path: ["code"], sentence: "This is not the code it shows now." }]);
const WRONG = new Refusal("signedOut", "This e-mail and password do not belong together.");

/**
 * Somebody at the door: counted by the account and by the address before the password is looked at, then asked for a code where
 * one was switched on. A session that was opened for who then may not enter is closed again.
 */
export async function enter(
	db: Database,
	request: Request,
	{ email, password, code }: Credentials,
	now: Date,
): Promise<Response> {
	const { headers } = request;
	const tried = { account: email, address: headers.get(CLIENT_ADDRESS) ?? "" };
	try {
		await countTry(db, tried, now);
		const response = await signIn().handler(
			new Request(request.url, { method: "POST", headers, body: JSON.stringify({ email, password }) }),
		);
		if (response.status >= 500) throw new Error("The sign-in library gave no answer.");
		if (!response.ok) throw WRONG;
		const { token, user: who } = (await response.clone().json()) as {
			token: string;
			user: { id: string; name: string };
		};
		try {
			await mayEnter(db, who.id, code, now);
		} catch (error) {
			await db.delete(session).where(eq(session.token, token));
			throw error;
		}
		await wasRight(db, tried);
		await noteAudit(db, "signedIn", email, { actor: who, now, headers });
		await tellPeople(db);
		return response;
	} catch (error) {
		// Who is made to wait was written down by the tries before.
		if (error instanceof Refusal && error !== ASK_CODE && error.kind !== "tooOften")
			await noteAudit(db, "signInRefused", `${email}: ${error.message}`, { now, headers });
		throw error;
	}
}

/** Not disabled, and with the right code where one is asked for: one that was taken is not taken again. */
async function mayEnter(db: Database, userId: string, code: string | undefined, now: Date): Promise<void> {
	const right = await inTransaction(db, async (tx) => {
		const [account] = await tx.select({ disabledAt: user.disabledAt }).from(user).where(eq(user.id, userId));
		if (!account || account.disabledAt) throw WRONG;
		const factor = await lockSecondFactor(tx, userId);
		if (!factor?.confirmedAt) return true;
		if (!code) throw ASK_CODE;
		const secret = await symmetricDecrypt({ key: getSettings().secret, data: factor.secret });
		const step = stepOf(secret, code, now, factor.lastStep);
		if (step !== undefined) {
			await changeSecondFactor(tx, userId, { lastStep: step });
			return true;
		}
		const recovery = factor.recovery.filter((hash) => hash !== recoveryHash(code));
		if (recovery.length === factor.recovery.length) return false;
		await changeSecondFactor(tx, userId, { recovery });
		return true;
	});
	if (!right) throw WRONG_CODE;
}
