import { bagOf } from "@core/cutting/bag";
import { closeBag, linesInBag, lockBag, putIn, takeOut } from "@db/queries/bags";
import { cutRun, kitVersion } from "@db/schema";
import { eq } from "drizzle-orm";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

/** A bag of a list with what belongs in it; refused where the list has not so many kits. */
async function bagFor({ tx }: Context, cutRunId: string, number: number) {
	const [row] = await tx
		.select({ kits: cutRun.kits, document: kitVersion.document })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.id, cutRunId));
	const { kits, document } = inTheBook(row, "cut list");
	if (number > kits)
		throw new Refusal("conflict", `This list is for ${kits} kits now: there is no bag ${number}. Look again.`);
	return { bag: await lockBag(tx, cutRunId, number), keys: bagOf(document).map(({ key }) => key) };
}

/** Something goes into a bag, or out of it again. Two people pack one bag and lose nothing. */
export const packLine: UseCase<"packLine"> = async (context, { cutRunId, number, lineKey, inIt }) => {
	const { tx, now, actor } = context;
	const { bag, keys } = await bagFor(context, cutRunId, number);
	if (!keys.includes(lineKey))
		throw new Refusal("conflict", "This does not belong in the bag any more: the kit was changed. Look again.");
	if (inIt) await putIn(tx, bag.id, [lineKey], now, actor.name);
	else {
		await takeOut(tx, bag.id, lineKey);
		if (bag.packedAt) await closeBag(tx, bag.id, null, null);
	}
	return { inIt };
};

/** Closes a bag, all of it put in at once where that is said; or opens it again. */
export const packBag: UseCase<"packBag"> = async (context, { cutRunId, number, packed, all }) => {
	const { tx, now, actor } = context;
	const { bag, keys } = await bagFor(context, cutRunId, number);
	if (packed && all) await putIn(tx, bag.id, keys, now, actor.name);
	const inIt = await linesInBag(tx, bag.id);
	await closeBag(tx, bag.id, packed ? now : null, packed ? actor.name : null);
	return { missing: keys.filter((key) => !inIt.includes(key)).length };
};
