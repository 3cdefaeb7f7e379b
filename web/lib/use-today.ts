import { dayOf } from "@formats/time";
import { useNow } from "./clock";
import { usePrefs } from "./prefs";

/** The studio's day, "2031-03-08", as it moves on. */
export const useToday = (): string => dayOf(new Date(useNow(60)), usePrefs().timeZone);
