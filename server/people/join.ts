import { type JoinForm, joinForm } from "@contract/join";
import type { Role } from "@contract/people";
import { problemsOf } from "@contract/problems";
import type { Database, Reader } from "@db/connect";
import { invitation } from "@db/schema";
import { hashPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import { inTransaction } from "../house/in-transaction";
import { Refusal } from "../house/refusal";
import { hashOfKey } from "./models/invitation";
import { makeAccount } from "./models/make-account";
import { weakness } from "./models/weak";

/** Why an invitation opens nothing, or for whom it opens. */
export type Door = { open: true; role: Role } | { open: false; sentence: string };

const WRONG = "This invitation is not one of this studio. Ask for a new one.";

export async function doorOf(reader: Reader, key: string, now: Date): Promise<Door> {
	const [row] = await reader
		.select()
		.from(invitation)
		.where(eq(invitation.keyHash, hashOfKey(key)));
	if (!row || row.revokedAt) return { open: false, sentence: WRONG };
	if (row.usedAt) return { open: false, sentence: "This invitation was used already. Sign in, or ask for a new one." };
	if (row.expiresAt <= now)
		return { open: false, sentence: "This invitation is more than a week old. Ask for a new one." };
	return { open: true, role: row.role };
}

/**
 * Somebody invited makes their account. Two presses at once make one account: the second finds the invitation used.
 * @throws Refusal with a sentence for each field
 */
export async function join(db: Database, key: string, raw: unknown, headers: Headers, now: Date): Promise<JoinForm> {
	const parsed = joinForm.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const form = parsed.data;
	const weak = weakness(form.password, [form.name, form.email]);
	if (weak) throw new Refusal("invalid", [{ path: ["password"], sentence: weak }]);
	const hash = await hashPassword(form.password);
	await inTransaction(db, async (tx) => {
		const hashed = hashOfKey(key);
		await tx.select({ id: invitation.id }).from(invitation).where(eq(invitation.keyHash, hashed)).for("update");
		const door = await doorOf(tx, key, now);
		if (!door.open) throw new Refusal("conflict", door.sentence);
		const { name, email } = form;
		const id = await makeAccount(tx, { name, email, role: door.role, hash });
		if (!id)
			throw new Refusal("conflict", [
				{ path: ["email"], sentence: "Somebody has an account with this e-mail already." },
			]);
		await tx.update(invitation).set({ usedAt: now }).where(eq(invitation.keyHash, hashed));
		await noteAudit(tx, "joined", `${email} as ${door.role}`, { actor: { id, name }, now, headers });
	});
	return form;
}
