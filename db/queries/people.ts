import { and, asc, count, desc, eq, gt, isNull, ne } from "drizzle-orm";
import type { Database, Reader, Transaction } from "../connect";
import { audit, invitation, secondFactor, session, user } from "../schema";

export type AuditRow = typeof audit.$inferInsert;

/** Adds to what is written down for good. */
export const writeAudit = (reader: Reader, row: AuditRow) => (reader as Database).insert(audit).values(row);

/** What happened, newest first. */
export const newestAudit = (reader: Reader, most: number) =>
	reader.select().from(audit).orderBy(desc(audit.id)).limit(most);

export async function countAudit(reader: Reader): Promise<number> {
	const [row] = await reader.select({ n: count() }).from(audit);
	return row?.n ?? 0;
}

/** Everybody with an account, and whether a second factor is asked of them. */
export const loadAccounts = (reader: Reader) =>
	reader
		.select({
			id: user.id,
			name: user.name,
			email: user.email,
			role: user.role,
			disabledAt: user.disabledAt,
			demoPassword: user.demoPassword,
			factorSince: secondFactor.confirmedAt,
		})
		.from(user)
		.leftJoin(secondFactor, eq(secondFactor.userId, user.id))
		.orderBy(asc(user.name));

/** An account, held until the transaction ends. */
export async function lockAccount(tx: Transaction, id: string) {
	const [row] = await tx.select().from(user).where(eq(user.id, id)).for("no key update");
	return row;
}

/** Sessions that are not over, newest first; of one person or of all. */
export const liveSessions = (reader: Reader, now: Date, userId?: string) =>
	reader
		.select({
			id: session.id,
			userId: session.userId,
			createdAt: session.createdAt,
			ipAddress: session.ipAddress,
			userAgent: session.userAgent,
		})
		.from(session)
		.where(and(gt(session.expiresAt, now), userId === undefined ? undefined : eq(session.userId, userId)))
		.orderBy(desc(session.createdAt))
		.limit(500);

/** Ends somebody's sessions: one, or all but `keep`. Returns how many. */
export async function dropSessions(
	reader: Reader,
	userId: string,
	{ only, keep }: { only?: string | undefined; keep?: string | undefined } = {},
): Promise<number> {
	const gone = await (reader as Database)
		.delete(session)
		.where(
			and(
				eq(session.userId, userId),
				only === undefined ? undefined : eq(session.id, only),
				keep === undefined ? undefined : ne(session.id, keep),
			),
		)
		.returning({ id: session.id });
	return gone.length;
}

export type SecondFactorRow = typeof secondFactor.$inferSelect;

export async function loadSecondFactor(reader: Reader, userId: string): Promise<SecondFactorRow | undefined> {
	const [row] = await reader.select().from(secondFactor).where(eq(secondFactor.userId, userId));
	return row;
}

export async function lockSecondFactor(tx: Transaction, userId: string): Promise<SecondFactorRow | undefined> {
	const [row] = await tx.select().from(secondFactor).where(eq(secondFactor.userId, userId)).for("update");
	return row;
}

/** A secret that is not confirmed yet; an earlier one that was not either goes. */
export const keepNewSecret = (reader: Reader, userId: string, secret: string) =>
	(reader as Database)
		.insert(secondFactor)
		.values({ userId, secret })
		.onConflictDoUpdate({
			target: secondFactor.userId,
			set: { secret, confirmedAt: null, lastStep: 0, recovery: [] },
		});

export const changeSecondFactor = (
	reader: Reader,
	userId: string,
	set: Partial<Pick<SecondFactorRow, "confirmedAt" | "lastStep" | "recovery">>,
) => (reader as Database).update(secondFactor).set(set).where(eq(secondFactor.userId, userId));

export const dropSecondFactorOf = (reader: Reader, userId: string) =>
	(reader as Database).delete(secondFactor).where(eq(secondFactor.userId, userId));

/** Invitations that still open the door, the newest first. */
export const openInvitations = (reader: Reader, now: Date) =>
	reader
		.select({
			id: invitation.id,
			role: invitation.role,
			forWhom: invitation.forWhom,
			expiresAt: invitation.expiresAt,
		})
		.from(invitation)
		.where(and(isNull(invitation.usedAt), isNull(invitation.revokedAt), gt(invitation.expiresAt, now)))
		.orderBy(desc(invitation.invitedAt));
