import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { inLanes } from "./check/lanes";
import { type Network, ownNetwork } from "./check/network";
import { PARTS, type Part, REPORTS } from "./check/parts";
import { lastWords, type Outcome, ofExit, readReport } from "./check/reports";
import { restrictedTo, touchedFiles } from "./check/touched";

/** How long each part took last, s. */
const TIMES = join(REPORTS, "times.json");
const SLOWEST = 10;

interface Done extends Outcome {
	part: string;
	seconds: number;
}

async function main(): Promise<number> {
	const parts = wanted(process.argv.slice(2));
	if (typeof parts === "string") {
		console.error(parts);
		return 2;
	}
	if (parts.length === 0) {
		console.log("Nothing that is checked was touched.");
		return 0;
	}
	mkdirSync(REPORTS, { recursive: true });
	const from = performance.now();
	const network = await ownNetwork();
	console.log(
		network.shared ? `In the machine’s network: ${network.shared}.` : "In a network of its own: loopback alone.",
	);
	const done: Done[] = [];
	try {
		await inLanes(withTimes(parts), lanes(), async (part) => {
			done.push(await run(part, network));
		});
	} finally {
		await hear(network.inside([process.execPath, "--import", "tsx", "tests/support/seed.ts", "stop"]), network);
		network.close();
	}
	keepTimes(done);
	return tell(done, (performance.now() - from) / 1000);
}

const USAGE = `./check              all parts but those for CI
./check unit e2e     these parts
./check --changed    what the change since the last commit can have touched
./check --changed HEAD~3   … since that commit
Parts: ${PARTS.map(({ name, only }) => (only ? `${name} (${only})` : name)).join(", ")}.`;

/** The parts that are asked for, or what is wrong with the question. */
function wanted(args: readonly string[]): Part[] | string {
	if (args.includes("--help")) return USAGE;
	if (args[0] === "--changed") return restrictedTo(touchedFiles(args[1] ?? "HEAD"), PARTS);
	const unknown = args.filter((name) => !PARTS.some((part) => part.name === name));
	if (unknown.length > 0) return `There is no part ${unknown.join(", ")}.\n${USAGE}`;
	if (args.length === 0) return PARTS.filter(({ only }) => !only || (only === "on CI") === Boolean(process.env.CI));
	return PARTS.filter(({ name }) => args.includes(name));
}

/** Most of the time a part waits for something; one core more is of use only where there are more than two. */
const lanes = (): number => Math.max(2, Math.min(4, availableParallelism()));

function withTimes(parts: readonly Part[]): Part[] {
	const times: Record<string, number> = existsSync(TIMES) ? JSON.parse(readFileSync(TIMES, "utf8")) : {};
	return parts.map((part) => ({ ...part, seconds: times[part.name] ?? part.seconds }));
}

function keepTimes(done: readonly Done[]): void {
	const times: Record<string, number> = existsSync(TIMES) ? JSON.parse(readFileSync(TIMES, "utf8")) : {};
	for (const { part, seconds, failed } of done) if (failed === 0) times[part] = Math.round(seconds);
	writeFileSync(TIMES, `${JSON.stringify(times, null, "\t")}\n`);
}

/** Runs one part and shows what it said once it is over, so that two at a time do not speak into each other. */
async function run(part: Part, network: Network): Promise<Done> {
	const from = performance.now();
	if (part.report) rmSync(part.report, { force: true });
	console.log(`… ${part.name}`);
	const { status, said } = await hear(network.inside(part.command), network);
	const outcome = readReport(part.report) ?? ofExit(status, said);
	if (status !== 0 && outcome.failed === 0) {
		outcome.failed = 1;
		outcome.failures.push(lastWords(said));
	}
	const seconds = (performance.now() - from) / 1000;
	console.log(`\n— ${part.name}\n${said}— ${part.name}: ${counted(outcome)} in ${Math.round(seconds)} s`);
	return { ...outcome, part: part.name, seconds };
}

function hear(
	[file = "", ...args]: readonly string[],
	{ out }: Network,
): Promise<{ status: number | null; said: string }> {
	const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: "1", ZEPHYR_OUTSIDE: JSON.stringify(out) };
	const child = spawn(file, args, { stdio: ["ignore", "pipe", "pipe"], env });
	let said = "";
	for (const stream of [child.stdout, child.stderr])
		stream.on("data", (chunk: Buffer) => {
			said += chunk;
		});
	return new Promise((done) => child.once("close", (status) => done({ status, said })));
}

const counted = ({ passed, failed }: { passed: number; failed: number }) => `${passed} passed, ${failed} failed`;

/** What ran, how long, what was slowest, what failed. Returns the exit. */
function tell(done: readonly Done[], seconds: number): number {
	const line = (name: string, time: number, words: string) =>
		`  ${name.padEnd(52)}${time.toFixed(0).padStart(6)} s  ${words}`;
	console.log(`\nWhat ran:\n${done.map((one) => line(one.part, one.seconds, counted(one))).join("\n")}`);
	const files = done.flatMap((one) => one.files.map((file) => ({ ...file, part: one.part })));
	const slowest = files.toSorted((a, b) => b.seconds - a.seconds).slice(0, SLOWEST);
	if (slowest.length > 0)
		console.log(`\nSlowest files:\n${slowest.map((one) => line(one.file, one.seconds, one.part)).join("\n")}`);
	const failures = done.flatMap(({ part, failures: all }) => all.map((one) => `  ${part}: ${one}`));
	if (failures.length > 0) console.log(`\nFailed:\n${failures.join("\n")}`);
	const passed = done.reduce((sum, one) => sum + one.passed, 0);
	const failed = done.reduce((sum, one) => sum + one.failed, 0);
	console.log(`\nIn ${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s.`);
	console.log(`\n${counted({ passed, failed })}`);
	return failed > 0 || passed === 0 ? 1 : 0;
}

process.exitCode = await main();
