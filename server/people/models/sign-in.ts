import { createHash } from "node:crypto";
import * as schema from "@db/schema";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { CLIENT_ADDRESS } from "../../house/client";
import { database } from "../../house/database";
import { logError } from "../../house/log";
import { getSettings } from "../../house/settings";

function build() {
	const settings = getSettings();
	return betterAuth({
		secret: settings.secret,
		baseURL: settings.publicUrl,
		basePath: "/api/auth",
		trustedOrigins: [settings.publicUrl],
		database: drizzleAdapter(database().db, { provider: "pg", schema }),
		emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10, maxPasswordLength: 128 },
		user: {
			additionalFields: {
				role: { type: "string", input: false, defaultValue: "assistant" },
				demoPassword: { type: "boolean", input: false, defaultValue: false },
				disabledAt: { type: "date", input: false, required: false },
			},
		},
		session: { expiresIn: 60 * 60 * 24 * 14, updateAge: 60 * 60 * 24 },
		// Tries are counted by back-off.ts, by account as well as by address.
		rateLimit: { enabled: false },
		advanced: { ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS] }, cookiePrefix: cookiePrefix() },
		telemetry: { enabled: false },
		logger: {
			level: "error",
			log: (_, message, ...more) => logError("sign-in", more.find((one) => one instanceof Error) ?? new Error(message)),
		},
	});
}

/** Of this studio’s cookies: browsers do not tell ports apart, and several studios of one machine must not meet. */
export const cookiePrefix = (): string =>
	`zephyr-${createHash("sha256").update(`cookies ${getSettings().secret}`).digest("hex").slice(0, 8)}`;

let instance: ReturnType<typeof build> | undefined;

/** The sign-in library, made at first use: settings are there only once the server runs. */
export function signIn(): ReturnType<typeof build> {
	instance ??= build();
	return instance;
}
