import type { ChildProcess } from "node:child_process";
import { freePort } from "../../scripts/cluster";
import { answers, ended, run } from "../../scripts/processes";
import type { RunningStandIn } from "../../scripts/stand-in";
import { STEPPED_CLOCK } from "./clock";

export interface RunningServer {
	address: string;
	port: number;
	process: ChildProcess;
	/** Listens to the kilns and does what nobody waits for. */
	jobs: ChildProcess;
	/** Ends both and waits until they are gone. */
	end(signal?: NodeJS.Signals): Promise<void>;
}

/** The built application on a database of the tests', answering before this returns; with its clock in the test's hands. */
export async function startServer(
	databaseUrl: string,
	{ port, standIn, more }: { port?: number; standIn?: Pick<RunningStandIn, "env">; more?: Record<string, string> } = {},
): Promise<RunningServer> {
	const own = port ?? (await freePort());
	const address = `http://127.0.0.1:${own}`;
	const env = {
		...process.env,
		HOST: "127.0.0.1",
		PORT: String(own),
		NODE_ENV: "production",
		DATABASE_URL: databaseUrl,
		ZEPHYR_SECRET: "only-for-tests-only-for-tests-only-for-tests",
		ZEPHYR_PUBLIC_URL: address,
		...more,
		...standIn?.env,
	};
	const server = run("serve", { env, preload: STEPPED_CLOCK });
	const jobs = run("jobs", { env, preload: STEPPED_CLOCK });
	if (!(await answers(`${address}/api/health/ready`))) throw new Error("The server under test did not answer.");
	return {
		address,
		port: own,
		process: server,
		jobs,
		end: async (signal = "SIGTERM") => {
			await Promise.all([ended(server, signal), ended(jobs, signal)]);
		},
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
