import { boolean, index, integer, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { ROLES, type Role } from "../../contract/people";
import { instant, oneOf } from "./columns";

export const student = pgTable(
	"student",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		name: text("name").notNull(),
		email: text("email"),
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

/** Tries at a secret, by the account they are for or the address they come from, since the last that was right. */
export const attempt = pgTable("attempt", {
	key: text("key").primaryKey(),
	tries: integer("tries").notNull(),
	lastAt: instant("last_at").notNull(),
});
