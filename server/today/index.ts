import { today } from "./today";

export const views = { today };
