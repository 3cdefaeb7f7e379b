import type { ViewName } from "@contract/views";
import { views as begin } from "./begin";
import { views as classes } from "./classes";
import { views as courses } from "./courses";
import { views as firings } from "./firings";
import { views as glass } from "./glass";
import type { View } from "./house/view";
import { views as kilns } from "./kilns";
import { views as kits } from "./kits";
import { views as loads } from "./loads";
import { views as microwave } from "./microwave";
import { views as people } from "./people";
import { views as pieces } from "./pieces";
import { views as schedules } from "./schedules";
import { views as stock } from "./stock";
import { views as studio } from "./studio";
import { views as today } from "./today";

/** Everything the studio can be asked to show, gathered from the words. */
export const views: { [N in ViewName]: View<N> } = {
	...begin,
	...classes,
	...courses,
	...firings,
	...glass,
	...kilns,
	...kits,
	...loads,
	...microwave,
	...people,
	...pieces,
	...schedules,
	...stock,
	...studio,
	...today,
};
