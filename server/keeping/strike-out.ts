import { counted } from "@core/units/counted";
import { lockThing, strikeThing, usesOf } from "@db/queries/keeping";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Takes something out of the book for good. What anything refers to can only be put away. */
export const strikeOut: UseCase<"strikeOut"> = async ({ tx }, { what, id }) => {
	const row = await lockThing(tx, what, id);
	if (!row) return { id }; // struck out already: the same press sent twice
	const uses = (await usesOf(tx, what, row.id)).filter(({ n }) => n > 0);
	if (uses.length > 0) {
		const words = uses.map(({ n, one, several }) => counted(n, one, several));
		throw new Refusal("conflict", `“${row.name}” stays in the book for ${words.join(", ")}. Put it away instead.`);
	}
	await strikeThing(tx, what, row.id);
	return { id };
};
