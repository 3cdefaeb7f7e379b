import { studio } from "@db/schema";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";

/** How the studio fires where nobody says otherwise. */
export const saveSchools: UseCase<"saveSchools"> = async ({ tx, studio: { id } }, { schools, revision }) => {
	const { heat, soak, cooling, warmUp, dots } = schools;
	const row = { id, heatSchool: heat, soakSchool: soak, coolingSchool: cooling, warmUpSchool: warmUp, dotSchool: dots };
	return { revision: await saved("the schools", tx, studio, row, revision) };
};
