import type { Role } from "@contract/people";
import type { Studio } from "@db/queries/studio";
import { Refusal } from "../../house/refusal";

const WORDS = { load: "load and start kilns", open: "open kilns" } as const;

/** Refused where the studio keeps this for instructors and an assistant asks. */
export function refuseAtKiln(
	{ actor, studio }: { actor: { role: Role }; studio: Studio },
	what: keyof typeof WORDS,
): void {
	if (actor.role !== "instructor" && !studio.customs.assistantsMay[what])
		throw new Refusal("forbidden", `In this studio only instructors ${WORDS[what]}. Ask one to do it.`);
}
