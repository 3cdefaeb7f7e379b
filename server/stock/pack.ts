import { randomUUID } from "node:crypto";
import { type BagLine, bagOf } from "@core/cutting/bag";
import { forBag } from "@core/stock/for-bag";
import { closeBag, linesInBag, lockBag, putIn, takeOut } from "@db/queries/bags";
import { runKit } from "@db/queries/stock";
import { loadStock } from "@db/queries/stock-book";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStock } from "./models/take";

/** A bag of a list with what belongs in it; refused where the list has not so many kits. */
async function bagFor({ tx }: Context, cutRunId: string, number: number) {
	const { kits, document, glasses } = inTheBook(await runKit(tx, cutRunId), "cut list");
	if (number > kits)
		throw new Refusal("conflict", `This list is for ${kits} kits now: there is no bag ${number}. Look again.`);
	return { bag: await lockBag(tx, cutRunId, number), contents: bagOf(document, glasses) };
}
type Bag = Awaited<ReturnType<typeof bagFor>>["bag"];

/** Closed, or more put into a closed one: what is weighed and counted out of it is taken from the stock. */
async function close(context: Context, bag: Bag, more: readonly BagLine[]): Promise<void> {
	const { tx, now, actor } = context;
	const items = (await loadStock(tx)).filter(({ retired }) => !retired);
	const some = forBag(more, items);
	await recordStock(
		context,
		Object.entries(some).map(([itemId, amount]) => ({
			...{ eventId: randomUUID(), itemId, reason: "taken" as const, change: -amount, note: "kit bag" },
		})),
	);
	const taken = { ...bag.taken };
	for (const [itemId, amount] of Object.entries(some)) taken[itemId] = (taken[itemId] ?? 0) + amount;
	await closeBag(tx, bag.id, { packedAt: bag.packedAt ?? now, packedBy: bag.packedBy ?? actor.name, taken });
}

/** Opened again: what the stock gave for it goes back. */
async function reopen(context: Context, bag: Bag): Promise<void> {
	if (!bag.packedAt) return;
	await recordStock(
		context,
		Object.entries(bag.taken).map(([itemId, amount]) => ({
			...{ eventId: randomUUID(), itemId, reason: "returned" as const, change: amount, note: "kit bag" },
		})),
	);
	await closeBag(context.tx, bag.id, { packedAt: null, packedBy: null, taken: {} });
}

/** Something goes into a bag, or out of it again: a closed one is open then. Two people pack one bag and lose nothing. */
export const packLine: UseCase<"packLine"> = async (context, { cutRunId, number, lineKey, inIt }) => {
	const { tx, now, actor } = context;
	const { bag, contents } = await bagFor(context, cutRunId, number);
	if (!contents.some(({ key }) => key === lineKey))
		throw new Refusal("conflict", "This does not belong in the bag any more: the kit was changed. Look again.");
	if ((await linesInBag(tx, bag.id)).includes(lineKey) === inIt) return { inIt }; // the same press sent twice
	if (inIt) {
		await putIn(tx, bag.id, [lineKey], now, actor.name);
		if (bag.packedAt)
			await close(
				context,
				bag,
				contents.filter(({ key }) => key === lineKey),
			);
	} else {
		await reopen(context, bag);
		await takeOut(tx, bag.id, lineKey);
	}
	return { inIt };
};

/** Closes a bag, all of it put in at once where that is said; or opens it again. */
export const packBag: UseCase<"packBag"> = async (context, { cutRunId, number, packed, all }) => {
	const { tx, now, actor } = context;
	const { bag, contents } = await bagFor(context, cutRunId, number);
	const keys = contents.map(({ key }) => key);
	if (packed && all) await putIn(tx, bag.id, keys, now, actor.name);
	const inIt = await linesInBag(tx, bag.id);
	const its = contents.filter(({ key }) => inIt.includes(key));
	if (!packed) await reopen(context, bag);
	else if (!bag.packedAt) await close(context, bag, its); // the same press sent twice closes once
	return { missing: keys.filter((key) => !inIt.includes(key)).length };
};
