import { describe, expect, it } from "vitest";
import { graphOf, touchedBy } from "./graph";
import { passedThrough, restrictedTo } from "./touched";

const SOURCES = [
	{ path: "core/a.ts", text: 'export { b } from "./b";' },
	{ path: "core/b.ts", text: "export const b = 1;" },
	{ path: "core/b.test.ts", text: 'import { b } from "./b";' },
	{ path: "core/only-a-type.ts", text: 'import type { B } from "./b";\nexport type { C } from "./b";' },
	{ path: "web/workers/a.worker.ts", text: 'import { a } from "@core/a";' },
	{
		path: "web/stations/one.tsx",
		text: 'new Worker(new URL("../workers/a.worker.ts", import.meta.url)); useAct("burn");',
	},
	{ path: "web/pages/one/index.astro", text: '---\nimport One from "@web/stations/one";\n---' },
	{ path: "web/pages/one/[id].astro", text: "" },
	{ path: "web/middleware.ts", text: "" },
	{ path: "server/word/index.ts", text: 'import { burn, cool as chill } from "./burn";' },
	{ path: "server/word/burn.ts", text: 'import { a } from "@core/a";' },
	{ path: "server/use-cases.ts", text: 'import { useCases } from "./word";' },
	{ path: "server/house/perform.ts", text: 'import { useCases } from "../use-cases";' },
	{ path: "contract/word.ts", text: "" },
	{ path: "db/migrations/0000_start.sql", text: "" },
	{ path: "scripts/begin.ts", text: 'migrate("db/migrations"); fork("scripts/serve.ts");' },
	{ path: "scripts/serve.ts", text: "" },
	{ path: "tests/database/burn.test.ts", text: 'import { perform } from "@server/house/perform"; act("burn");' },
	{ path: "tests/database/all.test.ts", text: 'import { useCases } from "@server/use-cases";' },
	{ path: "tests/e2e/one.test.ts", text: 'open(page, "/one?x=1");' },
	{ path: "tests/e2e/other.test.ts", text: 'open(page, "/other"); open(page, `/one/$' + "{id}`);" },
];
const graph = graphOf(SOURCES);
const touched = (...changed: string[]) => [...touchedBy(changed, passedThrough(graph))].sort();

describe("what a change can have touched", () => {
	it.each<[string, string[]]>([
		["core/a.ts", ["core/b.ts"]],
		["core/only-a-type.ts", []],
		["web/stations/one.tsx", ["contract/word.ts", "server/word/burn.ts", "web/workers/a.worker.ts"]],
		["scripts/begin.ts", ["db/migrations/0000_start.sql", "scripts/serve.ts"]],
		["tests/e2e/one.test.ts", ["web/pages/one/index.astro"]],
		["tests/e2e/other.test.ts", ["web/pages/one/[id].astro"]],
	])("%s names %j", (path, named) => expect([...(graph.get(path) ?? [])].sort()).toEqual(named));

	it("what lies below is tested by whoever leads to it, also through a worker, an action's name and an address", () => {
		expect(touched("core/b.ts").filter((path) => path.includes(".test."))).toEqual([
			"core/b.test.ts",
			"tests/database/all.test.ts",
			"tests/database/burn.test.ts",
			"tests/e2e/one.test.ts",
		]);
	});
	it("what stands in front of every page touches every page", () => {
		expect(touched("web/middleware.ts")).toContain("tests/e2e/other.test.ts");
	});
	it("another word's use case is led to by its name, not by the list of all of them", () => {
		expect(touched("server/word/index.ts")).not.toContain("tests/database/burn.test.ts");
		expect(touched("server/word/index.ts")).toContain("tests/database/all.test.ts");
	});
	it("a file that is gone touches nothing that does not name it", () =>
		expect(touched("core/gone.ts")).toEqual(["core/gone.ts"]));
});

describe("the parts that are run for it", () => {
	const parts = [
		{ name: "always", command: ["a"], seconds: 1 },
		{ name: "rules", command: ["b"], seconds: 1, touched: { files: /\.ts$/ } },
		{ name: "unit", command: ["c"], report: "r", seconds: 1, touched: { tests: /^scripts\/.*\.test\.ts$/ } },
		{ name: "long", command: ["d"], seconds: 1, only: "on CI" as const, touched: { files: /./ } },
	];
	const run = (...changed: string[]) =>
		restrictedTo({ changed, reached: new Set([...changed, "scripts/check/graph.test.ts"]) }, parts).map((part) =>
			part.command.join(" "),
		);
	it("test runners get the test files, the rest runs whole or not at all, what is CI's is left to it", () => {
		expect(run("docs/guide.md")).toEqual(["a", "c scripts/check/graph.test.ts"]);
		expect(run("core/a.ts")).toEqual(["a", "b", "c scripts/check/graph.test.ts"]);
		expect(restrictedTo({ changed: [], reached: new Set() }, parts)).toEqual([]);
	});
});
