import type { z } from "zod";
import { actions as bags } from "./bags";
import { actions as begin } from "./begin";
import { actions as classes } from "./classes";
import { actions as courses } from "./courses";
import { actions as cutting } from "./cutting";
import { actions as firings } from "./firings";
import { actions as glass } from "./glass";
import { actions as keeping } from "./keeping";
import { actions as kilns } from "./kilns";
import { actions as kits } from "./kits";
import { actions as loads } from "./loads";
import { actions as lots } from "./lots";
import { actions as microwave } from "./microwave";
import { actions as people } from "./people";
import { actions as pieces } from "./pieces";
import { actions as schedules } from "./schedules";
import { actions as stock } from "./stock";
import { actions as studio } from "./studio";

/** Everything a person can make the studio do, gathered from the words. */
export const actions = {
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
	...lots,
	...bags,
	...cutting,
	...studio,
};

export type ActionName = keyof typeof actions;
export type ActionInput<N extends ActionName> = z.infer<(typeof actions)[N]["schema"]>;
/** What each action answers when it went well. */
export type ActionOutput = { [N in ActionName]: NonNullable<(typeof actions)[N]["answer"]> };
