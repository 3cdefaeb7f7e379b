import type { SessionView } from "@contract/people";
import { PAGE } from "@contract/view";
import { loadHeartbeats } from "@db/queries/heartbeats";
import {
	countAudit,
	liveSessions,
	loadAccounts,
	loadSecondFactor,
	newestAudit,
	openInvitations,
} from "@db/queries/people";
import type { OwnViewContext, View } from "../house/view";
import { LONGEST_SESSION_MS } from "./models/actor";

type SessionRow = Awaited<ReturnType<typeof liveSessions>>[number];

function sessionViews({ actor, now }: OwnViewContext, rows: readonly SessionRow[]): SessionView[] {
	return rows
		.filter(({ createdAt }) => now.getTime() - createdAt.getTime() <= LONGEST_SESSION_MS)
		.map(({ id, createdAt, ipAddress, userAgent }) => ({
			id,
			since: createdAt.toISOString(),
			address: ipAddress ?? "",
			agent: userAgent ?? "",
			own: id === actor.sessionId,
		}));
}

/** One's own account: what is asked at the door, and where one is signed in. */
const account: View<"account"> = async (context) => {
	const { db, actor, now } = context;
	const [factor, sessions] = await Promise.all([loadSecondFactor(db, actor.id), liveSessions(db, now, actor.id)]);
	const on = factor?.confirmedAt != null;
	return {
		userId: actor.id,
		secondFactor: { on, recoveryLeft: on ? factor.recovery.length : 0 },
		sessions: sessionViews(context, sessions),
	};
};

/** Everybody with an account, and what happened at the door and beyond it. */
const people: View<"people"> = async (context, { most = PAGE }) => {
	const { db, actor, now } = context;
	const [accounts, sessions, audit, audits, { kilns, backup }, invited] = await Promise.all([
		loadAccounts(db),
		liveSessions(db, now),
		newestAudit(db, most),
		countAudit(db),
		loadHeartbeats(db),
		openInvitations(db, now),
	]);
	return {
		people: accounts.map(({ disabledAt, factorSince, ...person }) => ({
			...person,
			own: person.id === actor.id,
			disabledAt: disabledAt?.toISOString() ?? null,
			secondFactor: factorSince !== null,
			sessions: sessionViews(
				context,
				sessions.filter(({ userId }) => userId === person.id),
			),
		})),
		invitations: invited.map((one) => ({ ...one, expiresAt: one.expiresAt.toISOString() })),
		audit: audit.map(({ id, at, kind, actorName, address, about }) => ({
			id,
			at: at.toISOString(),
			kind,
			who: actorName,
			address: address ?? "",
			about,
		})),
		audits,
		house: { copiedAgoS: backup?.agoS ?? null, freeBytes: kilns?.freeBytes ?? null },
	};
};

export const views = { account, people };
