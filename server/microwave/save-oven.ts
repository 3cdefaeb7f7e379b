import { oven } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";

export const saveOven: UseCase<"saveOven"> = async ({ tx }, { oven: row, revision }) => {
	const kept = { ...row, watts: [...new Set(row.watts)].sort((a, b) => a - b) };
	return { ovenId: row.id, revision: await saved(row.name, tx, oven, kept, revision) };
};
