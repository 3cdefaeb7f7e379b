import { putAway } from "./put-away";
import { strikeOut } from "./strike-out";

export const useCases = { putAway, strikeOut };
