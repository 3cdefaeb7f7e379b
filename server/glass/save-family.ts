import { glassFamily } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";

export const saveFamily: UseCase<"saveFamily"> = async ({ tx }, { family, revision }) => ({
	familyId: family.id,
	revision: await saved(family.label, tx, glassFamily, family, revision),
});
