import { find } from "./find";
import { frame } from "./frame";
import { today } from "./today";

export const views = { frame, today, find };
