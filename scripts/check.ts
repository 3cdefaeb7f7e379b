import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { stripVTControlCharacters } from "node:util";

interface Part {
	name: string;
	command: string[];
	/** Where a test runner leaves its report. */
	report?: string;
	kind?: "vitest" | "playwright";
	/** Left out unless asked for by name, or on CI. */
	only?: "on CI" | "by name";
}

const reports = "data/reports";
const bin = (name: string) => join("node_modules/.bin", name);
const vitest = (project: string): Part => ({
	name: project,
	command: [
		bin("vitest"),
		"run",
		"--project",
		project,
		"--reporter=default",
		"--reporter=json",
		`--outputFile.json=${reports}/${project}.json`,
	],
	report: `${reports}/${project}.json`,
	kind: "vitest",
});

/** Two lanes run beside each other, each in its order: two cores, and most of the time one of them waits. */
const LANES: Part[][] = [
	[
		{ name: "format", command: [bin("biome"), "format", "."] },
		{ name: "lint", command: [bin("biome"), "lint", "--error-on-warnings", "."] },
		{ name: "rules", command: [bin("depcruise"), "core", "contract", "formats", "db", "server", "web", "standins"] },
		{ name: "unused", command: [bin("knip")] },
		{ name: "types", command: [bin("astro"), "check", "--minimumFailingSeverity", "warning"] },
		vitest("unit"),
		vitest("database"),
		vitest("browser"),
		{ ...vitest("faults"), only: "by name" },
		{ name: "fresh", command: [process.execPath, "--import", "tsx", "scripts/fresh.ts"], only: "on CI" },
	],
	[
		{ name: "build", command: [process.execPath, "--import", "tsx", "scripts/build.ts"] },
		{ name: "e2e", command: [bin("playwright"), "test"], report: `${reports}/e2e.json`, kind: "playwright" },
	],
];
const PARTS = LANES.flat();

interface Outcome {
	passed: number;
	failed: number;
	/** What failed, each with its first words. */
	failures: string[];
}

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !PARTS.some((part) => part.name === name));
if (unknown.length > 0) {
	console.error(`There is no part ${unknown.join(", ")}. Parts: ${PARTS.map(({ name }) => name).join(", ")}.`);
	process.exit(2);
}
mkdirSync(reports, { recursive: true });

const total: Outcome = { passed: 0, failed: 0, failures: [] };
await Promise.all(LANES.map((lane) => runLane(lane.filter(isWanted))));
if (total.failures.length > 0) console.log(`\nFailed:\n${total.failures.map((one) => `  ${one}`).join("\n")}`);
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed > 0 || total.passed === 0 ? 1 : 0;

function isWanted({ name, only }: Part): boolean {
	if (wanted.length > 0) return wanted.includes(name);
	return !only || (only === "on CI" && Boolean(process.env.CI));
}

async function runLane(lane: readonly Part[]): Promise<void> {
	for (const part of lane) {
		const outcome = await run(part);
		total.passed += outcome.passed;
		total.failed += outcome.failed;
		total.failures.push(...outcome.failures);
	}
}

/** Runs one part and shows what it said once it is over, so that two at a time do not speak into each other. */
async function run(part: Part): Promise<Outcome> {
	const from = Date.now();
	if (part.report) rmSync(part.report, { force: true });
	console.log(`… ${part.name}`);
	const { status, said } = await hear(part.command);
	const counted = part.report && existsSync(part.report) ? readReport(part) : undefined;
	const outcome = counted ?? {
		passed: status === 0 ? 1 : 0,
		failed: status === 0 ? 0 : 1,
		failures: status === 0 ? [] : [`${part.name}: ${lastWords(said)}`],
	};
	if (status !== 0 && outcome.failed === 0) {
		outcome.failed = 1;
		outcome.failures.push(`${part.name}: ${lastWords(said)}`);
	}
	console.log(
		`\n— ${part.name}\n${said}— ${part.name}: ${outcome.passed} passed, ${outcome.failed} failed in ${Math.round((Date.now() - from) / 1000)} s`,
	);
	return outcome;
}

function hear([file = "", ...args]: readonly string[]): Promise<{ status: number | null; said: string }> {
	const child = spawn(file, args, { stdio: ["inherit", "pipe", "pipe"] });
	let said = "";
	for (const stream of [child.stdout, child.stderr])
		stream.on("data", (chunk: Buffer) => {
			said += chunk;
		});
	return new Promise((done) => child.once("close", (status) => done({ status, said })));
}

function lastWords(said: string): string {
	return said.trim().split("\n").slice(-8).join("\n    ");
}

function firstWords(message = ""): string {
	return stripVTControlCharacters(message).split("\n").slice(0, 6).join("\n    ");
}

interface VitestFile {
	name: string;
	status: string;
	message: string;
	assertionResults: { status: string; fullName: string; failureMessages: string[] }[];
}
interface PlaywrightSuite {
	specs?: { ok: boolean; file: string; title: string; tests: { results: { error?: { message?: string } }[] }[] }[];
	suites?: PlaywrightSuite[];
}

function readReport({ report = "", kind }: Part): Outcome {
	const json = JSON.parse(readFileSync(report, "utf8"));
	return kind === "playwright" ? ofPlaywright(json) : ofVitest(json);
}

function specsOf({ specs = [], suites = [] }: PlaywrightSuite): NonNullable<PlaywrightSuite["specs"]> {
	return [...specs, ...suites.flatMap(specsOf)];
}

function ofPlaywright(json: { suites: PlaywrightSuite[]; stats: Record<string, number> }): Outcome {
	const failures = json.suites
		.flatMap(specsOf)
		.filter(({ ok }) => !ok)
		.map(({ file, title, tests }) => {
			const error = tests.flatMap(({ results }) => results).find((result) => result.error)?.error;
			return `tests/e2e/${file}: ${title}\n    ${firstWords(error?.message)}`;
		});
	const { expected = 0, unexpected = 0, flaky = 0 } = json.stats;
	return { passed: expected, failed: unexpected + flaky, failures };
}

function ofVitest(json: { testResults: VitestFile[]; numPassedTests: number; numFailedTests: number }): Outcome {
	const failures = json.testResults
		.filter(({ status }) => status !== "passed")
		.flatMap(({ name, message, assertionResults }) => {
			const file = name.replace(`${process.cwd()}/`, "");
			const failed = assertionResults.filter(({ status }) => status === "failed");
			if (failed.length === 0) return [`${file}: ${firstWords(message)}`];
			return failed.map((one) => `${file}: ${one.fullName}\n    ${firstWords(one.failureMessages[0])}`);
		});
	return { passed: json.numPassedTests, failed: json.numFailedTests, failures };
}
