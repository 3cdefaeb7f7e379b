import {
	changeSecondFactor,
	dropSecondFactorOf,
	keepNewSecret,
	lockAccount,
	lockSecondFactor,
} from "@db/queries/people";
import { user } from "@db/schema";
import { symmetricDecrypt, symmetricEncrypt } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import { afterPreparing, type UseCase } from "../house/context";
import { qrOf } from "../house/qr";
import { inTheBook, Refusal, refuseOthers } from "../house/refusal";
import { getSettings } from "../house/settings";
import { newRecoveryCodes, newSecret, recoveryHash, secretUri, stepOf } from "./models/one-time-code";
import { askPassword } from "./models/own-password";

/** A new secret for a device of one's own, sealed; asked for at the door only once a code of it was typed. */
export const beginSecondFactor = afterPreparing<"beginSecondFactor", string>(
	async (before, { current }) => {
		await askPassword(before, current);
		return newSecret();
	},
	async ({ tx, actor }, _, secret) => {
		const known = await lockSecondFactor(tx, actor.id);
		if (known?.confirmedAt)
			throw new Refusal("conflict", "A code is asked for already. Switch that off first to take another device.");
		await keepNewSecret(tx, actor.id, await symmetricEncrypt({ key: getSettings().secret, data: secret }));
		const [own] = await tx.select({ email: user.email }).from(user).where(eq(user.id, actor.id));
		return { secret, ...qrOf(secretUri(secret, own?.email ?? actor.name)) };
	},
);

/** The device’s first code: from now on one is asked for at the door. Answers the codes for the day it is lost. */
export const confirmSecondFactor: UseCase<"confirmSecondFactor"> = async ({ tx, ...asking }, { code }) => {
	const { actor, now } = asking;
	const known = await lockSecondFactor(tx, actor.id);
	if (!known || known.confirmedAt) throw new Refusal("conflict", "There is no device to be confirmed. Begin again.");
	const secret = await symmetricDecrypt({ key: getSettings().secret, data: known.secret });
	const step = stepOf(secret, code, now, known.lastStep);
	if (step === undefined)
		throw new Refusal("invalid", [
			{
				path: ["code"],
				sentence: "This is not the code it shows now. Wait for the next, and see that its clock is right.",
			},
		]);
	const recovery = newRecoveryCodes();
	await changeSecondFactor(tx, actor.id, { confirmedAt: now, lastStep: step, recovery: recovery.map(recoveryHash) });
	await noteAudit(tx, "secondFactor", "switched on", asking);
	return { recovery };
};

/** No code is asked for any longer. Whoever switches it off types their own password. */
export const dropSecondFactor = afterPreparing<"dropSecondFactor", void>(
	(before, { current }) => askPassword(before, current),
	async ({ tx, ...asking }, { userId }) => {
		if (userId !== asking.actor.id && asking.actor.role !== "instructor") throw refuseOthers("instructor");
		const { name } = inTheBook(await lockAccount(tx, userId), "person");
		await dropSecondFactorOf(tx, userId);
		await noteAudit(
			tx,
			"secondFactor",
			userId === asking.actor.id ? "switched off" : `switched off for ${name}`,
			asking,
		);
		return { dropped: true };
	},
);
