import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { expect } from "vitest";
import { builtProgram, type Program } from "../../scripts/programs";

/** One of the product's commands at work: what it says, how it ends. */
export interface Run {
	child: ChildProcess;
	output(): string;
	/** Waits until it has said so, for as long as it lives. */
	until(words: string): Promise<void>;
	end(signal: NodeJS.Signals): Promise<number | null>;
	ended: Promise<number | null>;
	/** The demo's passwords as it printed them. */
	passwords(): string[];
}

const alive = new Set<Run>();

/** Ends whatever still runs. */
export async function endAll(): Promise<void> {
	for (const run of alive) await run.end("SIGTERM");
}

/** Runs a program of scripts/. @param typed what is typed into it */
export function runScript(
	script: "start" | "backup" | "restore",
	env: Record<string, string>,
	args: string[] = [],
	typed?: string,
): Run {
	let text = "";
	const child = spawn(process.execPath, ["--import", "tsx", `scripts/${script}.ts`, ...args], {
		env: { ...process.env, ...env },
		stdio: ["pipe", "pipe", "pipe"],
	});
	for (const stream of [child.stdout, child.stderr])
		stream.on("data", (chunk) => {
			text += chunk;
		});
	if (typed !== undefined) child.stdin.end(`${typed}\n`);
	const run: Run = {
		child,
		ended: new Promise<number | null>((done) =>
			child.once("close", (code) => {
				alive.delete(run);
				done(code);
			}),
		),
		output: () => text,
		async until(words) {
			while (!text.includes(words) && child.exitCode === null) await new Promise((done) => setTimeout(done, 50));
			expect(text).toContain(words);
		},
		end(signal) {
			child.kill(signal);
			return run.ended;
		},
		passwords: () => text.match(/[0-9a-f]{8}-[0-9a-f]{8}/g) ?? [],
	};
	alive.add(run);
	return run;
}

/** The process of a program that a start runs; 0 where it runs none. */
export const childOf = (run: Run, program: Program): number =>
	Number(
		execFileSync("ps", ["-o", "pid=,args=", "--ppid", String(run.child.pid)], { encoding: "utf8" })
			.split("\n")
			.find((line) => line.includes(builtProgram(program)))
			?.trim()
			.split(" ")[0] ?? 0,
	);
