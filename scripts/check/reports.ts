import { existsSync, readFileSync } from "node:fs";
import { relative } from "node:path";
import { stripVTControlCharacters } from "node:util";

/** What came of one part. */
export interface Outcome {
	passed: number;
	failed: number;
	/** What failed, each with its first words. */
	failures: string[];
	/** Each test file with the time it took, s. */
	files: { file: string; seconds: number }[];
}

interface VitestFile {
	name: string;
	status: string;
	message: string;
	startTime: number;
	endTime: number;
	assertionResults: { status: string; fullName: string; failureMessages: string[] }[];
}
interface VitestReport {
	testResults: VitestFile[];
	numPassedTests: number;
	numFailedTests: number;
}
interface PlaywrightSpec {
	ok: boolean;
	file: string;
	title: string;
	tests: { results: { duration: number; error?: { message?: string } }[] }[];
}
interface PlaywrightSuite {
	specs?: PlaywrightSpec[];
	suites?: PlaywrightSuite[];
}
interface PlaywrightReport {
	suites: PlaywrightSuite[];
	stats: Record<string, number>;
	errors?: { message?: string }[];
}

/** What a part's runner wrote down; undefined where it wrote nothing. */
export function readReport(path: string | undefined): Outcome | undefined {
	if (!path || !existsSync(path)) return undefined;
	const report = JSON.parse(readFileSync(path, "utf8")) as VitestReport | PlaywrightReport;
	return "suites" in report ? ofPlaywright(report) : ofVitest(report);
}

/** The outcome of a part that is one test: its exit. @param said all that it printed */
export function ofExit(status: number | null, said: string): Outcome {
	const ok = status === 0;
	return { passed: ok ? 1 : 0, failed: ok ? 0 : 1, failures: ok ? [] : [lastWords(said)], files: [] };
}

export const lastWords = (said: string): string => said.trim().split("\n").slice(-8).join("\n    ");

const firstWords = (message = ""): string => stripVTControlCharacters(message).split("\n").slice(0, 6).join("\n    ");

const specsOf = ({ specs = [], suites = [] }: PlaywrightSuite): PlaywrightSpec[] => [
	...specs,
	...suites.flatMap(specsOf),
];

function ofPlaywright({ suites, stats, errors = [] }: PlaywrightReport): Outcome {
	const specs = suites.flatMap(specsOf);
	const failures = specs
		.filter(({ ok }) => !ok)
		.map(({ file, title, tests }) => {
			const error = tests.flatMap(({ results }) => results).find((result) => result.error)?.error;
			return `tests/e2e/${file}: ${title}\n    ${firstWords(error?.message)}`;
		});
	const ofFile = new Map<string, number>();
	for (const { file, tests } of specs)
		for (const { duration } of tests.flatMap(({ results }) => results))
			ofFile.set(file, (ofFile.get(file) ?? 0) + duration / 1000);
	const { expected = 0, unexpected = 0, flaky = 0 } = stats;
	return {
		passed: expected,
		failed: unexpected + flaky + (unexpected + flaky === 0 ? errors.length : 0),
		failures: [...failures, ...(failures.length === 0 ? errors.map(({ message }) => firstWords(message)) : [])],
		files: [...ofFile].map(([file, seconds]) => ({ file: `tests/e2e/${file}`, seconds })),
	};
}

function ofVitest({ testResults, numPassedTests, numFailedTests }: VitestReport): Outcome {
	const named = (path: string) => relative(process.cwd(), path);
	const failures = testResults
		.filter(({ status }) => status !== "passed")
		.flatMap(({ name, message, assertionResults }) => {
			const failed = assertionResults.filter(({ status }) => status === "failed");
			if (failed.length === 0) return [`${named(name)}: ${firstWords(message)}`];
			return failed.map((one) => `${named(name)}: ${one.fullName}\n    ${firstWords(one.failureMessages[0])}`);
		});
	return {
		passed: numPassedTests,
		failed: numFailedTests,
		failures,
		files: testResults.map(({ name, startTime, endTime }) => ({
			file: named(name),
			seconds: (endTime - startTime) / 1000,
		})),
	};
}
