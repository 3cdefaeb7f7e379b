import { readFileSync } from "node:fs";
import { pathToFileURL } from "node:url";

/** `npm run licences`: every package that is shipped, fonts too, by its licence. */
export interface Shipped {
	name: string;
	version: string;
	/** As its own package says it; empty where it says nothing. */
	licence: string;
	/** Named in package.json, not only needed by another. */
	direct: boolean;
	font: boolean;
}

interface Lock {
	packages: Record<
		string,
		{ version?: string; license?: string; dev?: boolean; dependencies?: Record<string, string> }
	>;
}

/** What a lock file says is installed without the tools of development. */
export function shippedIn({ packages }: Lock): Shipped[] {
	const direct = packages[""]?.dependencies ?? {};
	return Object.entries(packages).flatMap(([path, { version = "", license = "", dev }]) => {
		const name = path.split("node_modules/").at(-1) ?? "";
		if (name === "" || dev) return [];
		return [{ name, version, licence: license, direct: name in direct, font: name.startsWith("@fontsource") }];
	});
}

function print(): void {
	const shipped = shippedIn(JSON.parse(readFileSync("package-lock.json", "utf8")) as Lock);
	const licences = [...new Set(shipped.map(({ licence }) => licence))].sort();
	for (const licence of licences) {
		const its = shipped.filter((one) => one.licence === licence);
		console.log(`\n${licence || "says none"}: ${its.length}`);
		for (const { name, version, direct, font } of its)
			console.log(`  ${direct ? "*" : " "} ${name} ${version}${font ? ", font" : ""}`);
	}
	console.log("\n* named in package.json; the others are needed by these.");
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) print();
