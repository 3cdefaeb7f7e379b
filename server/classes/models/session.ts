import { chooseSession, sessionBriefs } from "@db/queries/sessions";
import { dayOf } from "@formats/time";
import type { ViewContext } from "../../house/view";

export async function sessionOf({ db, studio, now }: ViewContext, wanted: string | undefined) {
	const today = dayOf(now, studio.timeZone);
	const sessions = await sessionBriefs(db, today);
	return { sessions, session: chooseSession(sessions, wanted ?? null, today) };
}
