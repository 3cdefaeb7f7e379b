import { loadGlass } from "@db/queries/glass";
import { loadKilns } from "@db/queries/kilns";
import { countClasses } from "@db/queries/sessions";
import type { View } from "../house/view";

/** What of a new studio is written down already. */
export const firstSteps: View<"firstSteps"> = async ({ db }) => {
	const [kilns, { glasses, families }, classes] = await Promise.all([loadKilns(db), loadGlass(db), countClasses(db)]);
	const named = (kind: string) => kilns.filter((one) => one.kind === kind).map(({ id, name }) => ({ id, name }));
	return {
		kilns: named("electric"),
		blocks: named("microwaveBlock"),
		glassIds: glasses.map(({ id }) => id),
		families: families.filter(({ tested }) => tested).map(({ id, label }) => ({ id, label })),
		classes,
	};
};
