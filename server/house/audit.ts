import type { AuditKind } from "@contract/people";
import type { Reader } from "@db/connect";
import { writeAudit } from "@db/queries/people";
import { CLIENT_ADDRESS } from "./client";
import type { Actor } from "./context";

interface Happened {
	actor?: Pick<Actor, "id" | "name"> | undefined;
	now: Date;
	headers?: Headers | undefined;
}

const LONGEST = 300;

/** Writes down for good what happened, and whose doing it was; without secrets. */
export const noteAudit = (reader: Reader, kind: AuditKind, about: string, { actor, now, headers }: Happened) =>
	writeAudit(reader, {
		at: now,
		kind,
		about: about.slice(0, LONGEST),
		actorId: actor?.id ?? null,
		actorName: actor?.name ?? null,
		address: headers?.get(CLIENT_ADDRESS) ?? null,
	});
