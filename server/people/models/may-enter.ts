import type { Database } from "@db/connect";
import { changeSecondFactor, lockSecondFactor } from "@db/queries/people";
import { user } from "@db/schema";
import { symmetricDecrypt } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { inTransaction } from "../../house/in-transaction";
import { Refusal } from "../../house/refusal";
import { getSettings } from "../../house/settings";
import { recoveryHash, stepOf } from "./one-time-code";

export const ASK_CODE = new Refusal("signedOut", [
	{ path: ["code"], sentence: "Type the six digits that your device shows, or a code you wrote down." },
]);
const WRONG_CODE = new Refusal("signedOut", [{ path: ["code"], sentence: "This is not the code it shows now." }]);
export const WRONG = new Refusal("signedOut", "This e-mail and password do not belong together.");

/** That an account whose password was right is not disabled, and with the right code where one is asked for: one that was taken is not taken again. */
export async function mayEnter(db: Database, userId: string, code: string | undefined, now: Date): Promise<void> {
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
