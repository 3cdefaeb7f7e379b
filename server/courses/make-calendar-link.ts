import { randomBytes } from "node:crypto";
import { studio } from "@db/schema";
import type { UseCase } from "../house/context";

/** A secret address under which other calendars read this one. */
export const makeCalendarLink: UseCase<"makeCalendarLink"> = async ({ tx }, { on }) => {
	const key = on ? randomBytes(24).toString("base64url") : null;
	await tx.update(studio).set({ calendarKey: key });
	return { path: key && feedPath(key) };
};

export const feedPath = (key: string): string => `/api/calendar/${key}.ics`;
