import { readFileSync } from "node:fs";
import { expect, it } from "vitest";

/** The packages of docs/security.md, each with the version it says is in use. One version stands for all of its line. */
function listed(): Record<string, string> {
	const lines = readFileSync("docs/security.md", "utf8").split("\n");
	const rows = lines.slice(lines.findIndex((line) => /^\| package +\| in use/.test(line)) + 2);
	const found: Record<string, string> = {};
	for (const row of rows) {
		if (!row.startsWith("|")) break;
		const [names = [], versions = []] = row
			.split("|")
			.slice(1, 3)
			.map((cell) => cell.trim().split(/,\s*/));
		for (const [i, name] of names.entries()) {
			expect(found[name], `${name} stands twice`).toBeUndefined();
			found[name] = versions[i] ?? versions[0] ?? "";
		}
	}
	return found;
}

it("docs/security.md lists every package that we ask for by name, at the version that is in use", () => {
	const { dependencies, devDependencies } = JSON.parse(readFileSync("package.json", "utf8"));
	expect(listed()).toEqual({ ...dependencies, ...devDependencies });
});
