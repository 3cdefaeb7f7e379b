import { type BeginForm, beginForm } from "@contract/begin";
import { problemsOf } from "@contract/problems";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { type PaperSize, USUAL_CUSTOMS } from "@core/studio/customs";
import type { LengthUnit } from "@core/units/length";
import type { TemperatureUnit } from "@core/units/temperature";
import type { Database } from "@db/connect";
import { glassFamily, pickupSpot, studio } from "@db/schema";
import { hashPassword } from "better-auth/crypto";
import { noteAudit } from "../house/audit";
import { inTransaction } from "../house/in-transaction";
import { Refusal } from "../house/refusal";
import { makeAccount } from "../people/models/make-account";
import { weakness } from "../people/models/weak";

/** Pickup spots a new studio begins with. */
const SPOTS = ["A1", "A2", "A3", "A4", "B1", "B2", "B3", "B4"];

/**
 * Writes a studio of one's own into an empty book: its row, the two tested families, its first instructor.
 * @throws Refusal invalid with a sentence for each field, conflict where it was begun meanwhile
 */
export async function beginStudio(db: Database, raw: unknown, headers: Headers, now: Date): Promise<BeginForm> {
	const parsed = beginForm.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const form = parsed.data;
	const weak = weakness(form.password, [form.name, form.email, form.studio]);
	if (weak) throw new Refusal("invalid", [{ path: ["password"], sentence: weak }]);
	const hash = await hashPassword(form.password);
	await inTransaction(db, async (tx) => {
		const [lengthUnit, temperatureUnit] = form.units.split(".") as [LengthUnit, TemperatureUnit];
		const { timeZone, currency } = form;
		const paper: PaperSize = lengthUnit === "in" ? "letter" : "a4";
		const customs = { ...USUAL_CUSTOMS, paper };
		const row = { name: form.studio, timeZone, currency, lengthUnit, temperatureUnit, customs };
		const begun = await tx.insert(studio).values(row).onConflictDoNothing().returning();
		if (begun.length === 0) throw new Refusal("conflict", "This studio has been begun already. Sign in.");
		await tx.insert(glassFamily).values([FAMILY_90, FAMILY_96]);
		await tx.insert(pickupSpot).values(SPOTS.map((label, sort) => ({ label, sort })));
		const { name, email } = form;
		const id = await makeAccount(tx, { name, email, role: "instructor", hash });
		await noteAudit(tx, "begun", form.studio, { actor: id ? { id, name } : undefined, now, headers });
	});
	return form;
}
