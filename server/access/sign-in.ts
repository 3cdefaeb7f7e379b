import * as schema from "@db/auth-schema";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { database } from "../database";
import { getSettings } from "../settings";

const CLIENT_ADDRESS_HEADER = "x-zephyr-client";

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
			},
		},
		session: { expiresIn: 60 * 60 * 24 * 14, updateAge: 60 * 60 * 24 },
		rateLimit: {
			enabled: true,
			storage: "database",
			window: 60,
			max: 120,
			customRules: { "/sign-in/email": { window: 60, max: 8 } },
		},
		advanced: { ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] }, cookiePrefix: "zephyr" },
		telemetry: { enabled: false },
		logger: { level: "error" },
	});
}

let instance: ReturnType<typeof build> | undefined;

/** The sign-in library, made at first use: settings are there only once the server runs. */
export function signIn(): ReturnType<typeof build> {
	instance ??= build();
	return instance;
}

/** The request with the client's address as the server saw it, which the library's limit counts by. */
export function withClientAddress(request: Request, address: string): Request {
	const headers = new Headers(request.headers);
	const forwarded = getSettings().trustProxy ? headers.get("x-forwarded-for")?.split(",")[0]?.trim() : undefined;
	headers.set(CLIENT_ADDRESS_HEADER, forwarded || address);
	return new Request(request, { headers });
}
