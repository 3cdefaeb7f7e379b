import type { ActionName } from "@contract/actions";
import { useCases as begin } from "./begin";
import { useCases as classes } from "./classes";
import { useCases as courses } from "./courses";
import { useCases as firings } from "./firings";
import { useCases as glass } from "./glass";
import type { UseCase } from "./house/context";
import { useCases as keeping } from "./keeping";
import { useCases as kilns } from "./kilns";
import { useCases as kits } from "./kits";
import { useCases as loads } from "./loads";
import { useCases as microwave } from "./microwave";
import { useCases as people } from "./people";
import { useCases as pieces } from "./pieces";
import { useCases as schedules } from "./schedules";
import { useCases as stock } from "./stock";
import { useCases as studio } from "./studio";

/** Everything the studio can be made to do, gathered from the words. */
export const useCases: { [N in ActionName]: UseCase<N> } = {
	...begin,
	...classes,
	...courses,
	...firings,
	...glass,
	...keeping,
	...kilns,
	...kits,
	...loads,
	...microwave,
	...people,
	...pieces,
	...schedules,
	...stock,
	...studio,
};
