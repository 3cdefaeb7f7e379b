import { type ChildProcess, spawn } from "node:child_process";
import { freePort } from "../../scripts/cluster";

export interface RunningServer {
	address: string;
	port: number;
	process: ChildProcess;
	/** Ends it and waits until it is gone. */
	end(signal?: NodeJS.Signals): Promise<void>;
}

/** The built application on a database of the tests', answering before this returns. */
export async function startServer(databaseUrl: string, port?: number, standInPort?: number): Promise<RunningServer> {
	const own = port ?? (await freePort());
	const address = `http://127.0.0.1:${own}`;
	const server = spawn(process.execPath, ["dist/server/entry.mjs"], {
		stdio: ["ignore", "ignore", "inherit"],
		env: {
			...process.env,
			HOST: "127.0.0.1",
			PORT: String(own),
			NODE_ENV: "production",
			DATABASE_URL: databaseUrl,
			ZEPHYR_SECRET: "only-for-tests-only-for-tests-only-for-tests",
			ZEPHYR_PUBLIC_URL: address,
			...(standInPort !== undefined && { ZEPHYR_STAND_IN_PORT: String(standInPort) }),
		},
	});
	for (let i = 0; i < 200; i++) {
		const answered = await fetch(`${address}/api/health`).then(
			(response) => response.ok,
			() => false,
		);
		if (answered) break;
		if (i === 199) throw new Error("The server under test did not answer.");
		await new Promise((done) => setTimeout(done, 100));
	}
	return {
		address,
		port: own,
		process: server,
		end: (signal = "SIGTERM") =>
			new Promise((done) => {
				if (server.exitCode !== null || server.signalCode !== null) return done();
				server.once("exit", () => done());
				server.kill(signal);
			}),
	};
}

/** The cookies of a fresh session. */
export async function signIn(
	address: string,
	email: string,
	password: string,
): Promise<{ name: string; value: string }[]> {
	const response = await fetch(`${address}/api/auth/sign-in/email`, {
		method: "POST",
		headers: { "Content-Type": "application/json", Origin: address },
		body: JSON.stringify({ email, password }),
	});
	return response.headers.getSetCookie().map((cookie) => {
		const [name = "", value = ""] = cookie.split(";")[0]?.split(/=(.*)/s) ?? [];
		return { name, value: decodeURIComponent(value) };
	});
}
