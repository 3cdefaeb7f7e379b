import { join } from "node:path";
import type { Job } from "./lanes";

/** Something the check runs. */
export interface Part extends Job {
	command: readonly string[];
	/** Where its test runner leaves its report. */
	report?: string;
	/** Runs where CI is set, or where it is not, and by its name; the others run always. */
	only?: "on CI" | "off CI";
	/** What `--changed` makes of it: run with the test files that were touched, or where a file of this form was, or always. */
	touched?: { tests: RegExp } | { files: RegExp };
}

export const REPORTS = "data/reports";
const CODE = /\.(tsx?|mjs|cjs|astro|css|json)$/;
const bin = (name: string) => join("node_modules/.bin", name);
const script = (...args: string[]) => [process.execPath, "--import", "tsx", ...args];
const vitest = (project: string, tests: RegExp) => {
	const report = `${REPORTS}/${project}.json`;
	return {
		name: project,
		command: [
			bin("vitest"),
			"run",
			"--project",
			project,
			"--reporter=default",
			"--reporter=json",
			`--outputFile.json=${report}`,
		],
		report,
		touched: { tests },
	};
};

/** All parts. The seconds are those of a quiet machine with two cores; what was measured last goes before them. */
export const PARTS: readonly Part[] = [
	{ name: "format", command: [bin("biome"), "format", "."], seconds: 2 },
	{ name: "lint", command: [bin("biome"), "lint", "--error-on-warnings", "."], seconds: 4 },
	{
		name: "rules",
		command: [bin("depcruise"), "core", "contract", "formats", "db", "server", "web", "standins"],
		seconds: 12,
		touched: { files: CODE },
	},
	{ name: "unused", command: [bin("knip")], seconds: 12, touched: { files: CODE } },
	{
		name: "migrations",
		command: script("scripts/check/migrations.ts"),
		seconds: 2,
		touched: { files: /^(db\/migrations|scripts\/check)\// },
	},
	{ name: "types", command: script("scripts/check/types.ts"), seconds: 40, touched: { files: CODE } },
	{
		name: "pages",
		command: script("scripts/check/types.ts", "pages"),
		seconds: 30,
		only: "off CI",
		touched: { tests: /\.astro$/ },
	},
	{ name: "build", command: script("scripts/build.ts"), seconds: 40, touched: { tests: /^tests\/e2e\/.*\.test\.ts$/ } },
	{
		name: "seed",
		command: script("tests/support/seed.ts"),
		seconds: 15,
		touched: { tests: /^tests\/(e2e|database)\/.*\.test\.ts$/ },
	},
	{
		...vitest("unit", /^(?!tests\/(?!checks\/)).*(?<!\.browser|\.proof)\.test\.tsx?$/),
		seconds: 60,
	},
	{ ...vitest("proofs", /\.proof\.test\.ts$/), seconds: 150, only: "on CI" },
	{ ...vitest("browser", /\.browser\.test\.tsx$/), seconds: 25 },
	{ ...vitest("database", /^tests\/database\/.*\.test\.ts$/), needs: ["seed"], seconds: 200 },
	{ ...vitest("faults", /^tests\/faults\/.*\.test\.ts$/), needs: ["seed", "build"], seconds: 600, only: "on CI" },
	{
		name: "e2e",
		command: [bin("playwright"), "test"],
		report: `${REPORTS}/e2e.json`,
		needs: ["seed", "build"],
		seconds: 350,
		touched: { tests: /^tests\/e2e\/.*\.test\.ts$/ },
	},
	{ name: "fresh", command: script("scripts/fresh.ts"), seconds: 150, only: "on CI" },
];
