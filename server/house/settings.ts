/** What the start command tells the server. Read once; a missing one ends the start with a sentence. */
export interface Settings {
	databaseUrl: string;
	secret: string;
	/** How browsers reach it: "http://127.0.0.1:4810", or the address of a TLS proxy. */
	publicUrl: string;
}

let settings: Settings | undefined;

export function getSettings(): Settings {
	settings ??= {
		databaseUrl: required("DATABASE_URL"),
		secret: required("ZEPHYR_SECRET"),
		publicUrl: required("ZEPHYR_PUBLIC_URL"),
	};
	return settings;
}

function required(name: string): string {
	const value = process.env[name];
	if (!value) throw new Error(`${name} is not set. Start the application with ./start.`);
	return value;
}
