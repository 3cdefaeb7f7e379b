import { execFileSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { type Graph, graphOf, touchedBy } from "./graph";
import type { Part } from "./parts";

/** What a change can have touched. */
export interface Touched {
	/** Files that differ. */
	changed: readonly string[];
	/** They and all that leads to them. */
	reached: ReadonlySet<string>;
}

/** A change of these can touch anything. */
const EVERYTHING = /^(package-lock\.json|tsconfig\.json|(vitest|playwright|astro)\.config\.ts)$/;

/** They only gather: who passes through them is led on by the name that is asked for. Tests that walk through all of them are not. */
const HUBS = ["contract/actions.ts", "contract/views.ts", "server/use-cases.ts", "server/views.ts"];

/**
 * What every test of a kind stands on, and who watches it for all of them: each test begins with the demo seeded by the application's own
 * use cases, each browser test has a jobs process beside it, and a fault in either is seen in the whole way of a piece.
 */
const WATCHED: { from: RegExp; to: string; by: readonly string[] }[] = [
	{
		from: /^tests\/support\/seed\.ts$/,
		to: "demo/seed.ts",
		by: ["tests/database/slice.test.ts", "tests/e2e/slice.test.ts"],
	},
	{
		from: /^scripts\/programs\.ts$/,
		to: "server/jobs/main.ts",
		by: ["tests/database/jobs.test.ts", "tests/e2e/slice.test.ts", "tests/e2e/fire.test.ts"],
	},
];

const git = (...args: string[]): string[] =>
	execFileSync("git", args, { encoding: "utf8", maxBuffer: 1 << 28 })
		.split("\0")
		.filter((line) => line !== "");

/** @param since a commit; what is not committed counts too */
export function touchedFiles(since: string): Touched {
	const changed = [
		...git("diff", "--name-only", "-z", since),
		...git("ls-files", "--others", "--exclude-standard", "-z"),
	];
	const there = git("ls-files", "--cached", "--others", "--exclude-standard", "-z").filter((path) => existsSync(path));
	const sources = there.map((path) => ({ path, text: isText(path) ? readFileSync(path, "utf8") : "" }));
	if (changed.some((path) => EVERYTHING.test(path))) return { changed, reached: new Set([...there, ...changed]) };
	// What was deleted is nobody's any more; who still names it fails to load, and who named it was changed.
	return { changed, reached: touchedBy(changed, passedThrough(graphOf(sources))) };
}

const isText = (path: string): boolean => /\.(tsx?|mjs|cjs|astro|css|json|sh)$/.test(path) || !path.includes(".");

/** The graph as it is walked: hubs passed by, pages with what answers before them, tests with what their runner sets up. */
export function passedThrough(graph: Graph): Graph {
	return new Map(
		[...graph].map(([path, named]) => {
			const on = new Set(named);
			if (!path.startsWith("tests/")) for (const hub of HUBS) on.delete(hub);
			for (const { from, to, by } of WATCHED) {
				if (from.test(path)) on.delete(to);
				if (by.includes(path)) on.add(to);
			}
			if (path.startsWith("web/pages/")) on.add("web/middleware.ts");
			if (/^tests\/(database|faults)\/.*\.test\.ts$/.test(path)) on.add("tests/support/database.ts");
			if (/^tests\/e2e\/.*\.test\.ts$/.test(path)) on.add("tests/support/e2e-server.ts");
			return [path, on];
		}),
	);
}

/** The parts that a change can have touched, each with no more than the test files it can have touched. */
export function restrictedTo({ changed, reached }: Touched, parts: readonly Part[]): Part[] {
	if (changed.length === 0) return [];
	return parts.flatMap((part): Part[] => {
		const { touched, only, command, report } = part;
		if (only === "on CI") return [];
		if (!touched) return [part];
		if ("files" in touched) return changed.some((path) => touched.files.test(path)) ? [part] : [];
		const files = [...reached].filter((path) => touched.tests.test(path) && existsSync(path)).sort();
		if (files.length === 0) return [];
		return [report ? { ...part, command: [...command, ...files] } : part];
	});
}
