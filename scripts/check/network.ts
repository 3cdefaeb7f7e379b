import { spawn } from "node:child_process";

/** Where the parts run: a network of their own that has loopback and nothing else, or the machine's where it gives none. */
export interface Network {
	/** The command as it is run inside. */
	inside(command: readonly string[]): string[];
	/** What leads a command from inside back to the machine's network: for installing alone. Empty where they are one. */
	out: readonly string[];
	/** Why the parts run in the machine's own network; undefined where they do not. */
	shared?: string;
	close(): void;
}

/** A shell that holds the network open for as long as its standard input is: it goes when the check goes, however that happens. */
const HOLD = "ip link set lo up && echo up && exec cat";

/**
 * Takes a network namespace with loopback up (Linux: network_namespaces(7), unshare(1), nsenter(1)). Whatever looks something up or dials
 * beyond this machine fails in it at once.
 */
export async function ownNetwork(): Promise<Network> {
	const shared = (why: string): Network => ({
		inside: (command) => [...command],
		out: [],
		shared: why,
		close: () => {},
	});
	if (process.getuid?.() !== 0) return shared("only root may take a network of its own");
	const holder = spawn("unshare", ["--net", "--", "sh", "-c", HOLD], { stdio: ["pipe", "pipe", "pipe"] });
	let said = "";
	holder.stderr.on("data", (chunk) => {
		said += chunk;
	});
	const up = await new Promise<boolean>((done) => {
		holder.once("error", (error) => {
			said += error.message;
			done(false);
		});
		holder.once("exit", () => done(false));
		holder.stdout.once("data", () => done(true));
	});
	if (!up) return shared(said.trim().split("\n")[0] || "unshare gave none");
	const into = (pid: number) => ["nsenter", "--target", String(pid), "--net", "--"];
	return {
		inside: (command) => [...into(holder.pid ?? 0), ...command],
		out: into(process.pid),
		close: () => void holder.stdin.end(),
	};
}
