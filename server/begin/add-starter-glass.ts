import { starterGlass } from "@core/glass/starter-glass";
import { glass, glassFamily } from "@db/schema";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Chosen glasses of the starter list come into the book. */
export const addStarterGlass: UseCase<"addStarterGlass"> = async ({ tx }, { ids }) => {
	const families = await tx.select({ id: glassFamily.id }).from(glassFamily);
	const offered = new Map(families.flatMap(({ id }) => starterGlass(id)).map((one) => [one.id, one]));
	const chosen = ids.flatMap((id) => offered.get(id) ?? []);
	if (chosen.length < ids.length) throw new Refusal("invalid", "A chosen glass is not on the starter list.");
	const added = await tx.insert(glass).values(chosen).onConflictDoNothing().returning({ id: glass.id });
	return { added: added.length };
};
