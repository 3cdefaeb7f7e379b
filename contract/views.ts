import type { z } from "zod";
import { views as bags } from "./bags";
import { views as begin } from "./begin";
import { views as classes } from "./classes";
import { views as courses } from "./courses";
import { views as cutting } from "./cutting";
import { views as firings } from "./firings";
import { views as glass } from "./glass";
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
export const views = {
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
	...bags,
	...cutting,
	...studio,
	...today,
};

export type ViewName = keyof typeof views;
export type Views = { [N in ViewName]: NonNullable<(typeof views)[N]["view"]> };
/** What a view is made from: its parameters, read. */
export type ViewParams<N extends ViewName> = z.output<(typeof views)[N]["schema"]>;
