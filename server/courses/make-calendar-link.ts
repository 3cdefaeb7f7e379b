import { studio } from "@db/schema";
import type { UseCase } from "../house/context";
import { secretKey } from "./models/secret-key";

/** A secret address under which other calendars read this one. */
export const makeCalendarLink: UseCase<"makeCalendarLink"> = async ({ tx }, { on }) => {
	const key = on ? secretKey() : null;
	await tx.update(studio).set({ calendarKey: key });
	return { path: key && feedPath(key) };
};

export const feedPath = (key: string): string => `/api/calendar/${key}.ics`;
