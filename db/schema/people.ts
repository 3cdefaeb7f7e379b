import { bigint, boolean, index, integer, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { AUDIT_KINDS, type AuditKind, ROLES, type Role } from "../../contract/people";
import { instant, oneOf, revision } from "./columns";

export const student = pgTable(
	"student",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		name: text("name").notNull(),
		revision: revision(),
		email: text("email"),
		phone: text("phone").notNull().default(""),
		/** "Needs help with cutting." */
		note: text("note").notNull().default(""),
		/** Under sixteen: the adult who answers for them. */
		adult: text("adult").notNull().default(""),
	},
	(t) => [index("student_name_trgm").using("gin", t.name.op("gin_trgm_ops"))],
);

/** From here on: tables that the sign-in library reads and writes; its names for things. */
export const user = pgTable(
	"user",
	{
		id: text("id").primaryKey(),
		name: text("name").notNull(),
		email: text("email").notNull().unique(),
		emailVerified: boolean("email_verified").notNull().default(false),
		image: text("image"),
		role: text("role").$type<Role>().notNull().default("assistant"),
		/** Still the password that the first start made and printed. */
		demoPassword: boolean("demo_password").notNull().default(false),
		/** Hash of that password: it is never taken again. */
		demoHash: text("demo_hash"),
		/** May not sign in any longer; what they did stays theirs. */
		disabledAt: instant("disabled_at"),
		createdAt: instant("created_at").notNull().defaultNow(),
		updatedAt: instant("updated_at").notNull().defaultNow(),
	},
	(t) => [oneOf("user_role_known", t.role, ROLES)],
);

export const session = pgTable(
	"session",
	{
		id: text("id").primaryKey(),
		token: text("token").notNull().unique(),
		userId: text("user_id")
			.notNull()
			.references(() => user.id, { onDelete: "cascade" }),
		expiresAt: instant("expires_at").notNull(),
		ipAddress: text("ip_address"),
		userAgent: text("user_agent"),
		createdAt: instant("created_at").notNull().defaultNow(),
		updatedAt: instant("updated_at").notNull().defaultNow(),
	},
	(t) => [index("session_user").on(t.userId)],
);

export const account = pgTable("account", {
	id: text("id").primaryKey(),
	accountId: text("account_id").notNull(),
	providerId: text("provider_id").notNull(),
	userId: text("user_id")
		.notNull()
		.references(() => user.id, { onDelete: "cascade" }),
	accessToken: text("access_token"),
	refreshToken: text("refresh_token"),
	idToken: text("id_token"),
	accessTokenExpiresAt: instant("access_token_expires_at"),
	refreshTokenExpiresAt: instant("refresh_token_expires_at"),
	scope: text("scope"),
	password: text("password"),
	createdAt: instant("created_at").notNull().defaultNow(),
	updatedAt: instant("updated_at").notNull().defaultNow(),
});

export const verification = pgTable("verification", {
	id: text("id").primaryKey(),
	identifier: text("identifier").notNull(),
	value: text("value").notNull(),
	expiresAt: instant("expires_at").notNull(),
	createdAt: instant("created_at").notNull().defaultNow(),
	updatedAt: instant("updated_at").notNull().defaultNow(),
});

/** What is asked besides the password: a code from a device (RFC 6238), once it was confirmed. */
export const secondFactor = pgTable("second_factor", {
	userId: text("user_id")
		.primaryKey()
		.references(() => user.id, { onDelete: "cascade" }),
	/** Sealed with the application's own secret. */
	secret: text("secret").notNull(),
	confirmedAt: instant("confirmed_at"),
	/** Number of the last half minute whose code was taken: none is taken twice. */
	lastStep: bigint("last_step", { mode: "number" }).notNull().default(0),
	/** Hashes of the codes for the day that the device is lost, each good once. */
	recovery: text("recovery").array().notNull().default([]),
});

/** What happened to doors, roles, kilns steered and files taken out. Only ever added to: the database refuses anything else. */
export const audit = pgTable(
	"audit",
	{
		id: bigint("id", { mode: "number" }).primaryKey().generatedAlwaysAsIdentity(),
		at: instant("at").notNull(),
		kind: text("kind").$type<AuditKind>().notNull(),
		/** Whoever did it, by the name they had then; null for nobody who is known. */
		actorId: text("actor_id"),
		actorName: text("actor_name"),
		address: text("address"),
		/** What it was about, without secrets. */
		about: text("about").notNull(),
	},
	(t) => [index("audit_at").on(t.at), oneOf("audit_kind_known", t.kind, AUDIT_KINDS)],
);

/** An address that makes an account once, for a while. */
export const invitation = pgTable(
	"invitation",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		/** SHA-256 of the secret in the address. */
		keyHash: text("key_hash").notNull().unique(),
		role: text("role").$type<Role>().notNull(),
		/** For whom, in the inviter's words. */
		forWhom: text("for_whom").notNull(),
		invitedAt: instant("invited_at").notNull(),
		expiresAt: instant("expires_at").notNull(),
		usedAt: instant("used_at"),
		/** Taken back. */
		revokedAt: instant("revoked_at"),
	},
	(t) => [oneOf("invitation_role_known", t.role, ROLES)],
);

/** Tries at a secret, by the account they are for or the address they come from, since the last that was right. */
export const attempt = pgTable("attempt", {
	key: text("key").primaryKey(),
	tries: integer("tries").notNull(),
	lastAt: instant("last_at").notNull(),
});
