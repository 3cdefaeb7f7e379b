import { STRAIN_TEST } from "@core/stock/lots";
import { finishLot, lockLot, moveLots, openTests, writeLot } from "@db/queries/bags";
import { lockFiring } from "@db/queries/firings";
import { glassesOf, movePieces } from "@db/queries/glass";
import { increment } from "@db/queries/increment";
import { glass, glassFamily } from "@db/schema";
import { eq } from "drizzle-orm";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

/** A strip of a glass on a glass of a known family waits for a corner of a load. */
export const layStrainTest: UseCase<"layStrainTest"> = async ({ tx, now }, { testId, glassId, onFamilyId }) => {
	// One after another: two people lay out one test of a glass, not two.
	const [its] = await tx.select().from(glass).where(eq(glass.id, glassId)).for("update");
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, onFamilyId));
	const { name, familyId } = inTheBook(its, "glass");
	const { label, tested } = inTheBook(family, "family");
	const at = (sentence: string) => new Refusal("invalid", [{ path: ["onFamilyId"], sentence }]);
	if (familyId === onFamilyId) throw at(`“${name}” is of ${label} already: there is nothing to test.`);
	if (!tested) throw at(`${label} is untested itself: test it on a family that is known.`);
	const open = (await openTests(tx, glassId)).find((one) => one.onFamilyId === onFamilyId);
	if (open && open.id !== testId)
		throw new Refusal("conflict", `“${name}” on ${label} is laid out already and waits for a kiln: read that one.`);
	await writeLot(tx, { id: testId, ...STRAIN_TEST, glassId, onFamilyId, count: 1, wantedAt: now });
	return { testId };
};

/** What a strain test showed: the glass is of that family from now on, or stays apart; or it is called off. */
export const readStrainTest: UseCase<"readStrainTest"> = async (context, { testId, shows }) => {
	const { tx, now } = context;
	const test = inTheBook(await lockLot(tx, testId), "strain test");
	const { onFamilyId, glassId } = test;
	if (onFamilyId === null || glassId === null) throw new Refusal("invalid", "This is a lot of parts, no strain test.");
	if (test.firedAt) return { testId, pieces: 0 }; // the same press sent twice
	// As it is until this is written: nobody starts it meanwhile.
	const firing = test.firingId ? await lockFiring(tx, test.firingId) : undefined;
	if (shows === "nothing") {
		if (firing?.state === "running") throw new Refusal("conflict", `It lies in firing ${firing.number}, which runs.`);
		await moveLots(tx, [testId], null);
	} else if (firing?.state !== "opened")
		throw new Refusal("conflict", "It is not out of a kiln yet: read it when it is cold.");
	await finishLot(tx, testId, now, shows === "fits" ? 1 : 0);
	return { testId, pieces: shows === "fits" ? await joined(context, glassId, onFamilyId) : 0 };
};

/** A glass joins a family; once none is left of its own untested one, pieces that wait and are of that go with it. Tells how many. */
async function joined({ tx }: Context, glassId: string, onFamilyId: string): Promise<number> {
	const [its] = await tx.select().from(glass).where(eq(glass.id, glassId)).for("update");
	const { familyId } = inTheBook(its, "glass");
	await tx
		.update(glass)
		.set({ familyId: onFamilyId, revision: increment(glass.revision) })
		.where(eq(glass.id, glassId));
	const [own] = await tx.select().from(glassFamily).where(eq(glassFamily.id, familyId));
	const isOver = !own?.tested && (await glassesOf(tx, familyId)) === 0;
	return isOver ? movePieces(tx, familyId, onFamilyId) : 0;
}
