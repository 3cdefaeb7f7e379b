import { dirname, join } from "node:path";

/** Each file with the files that it names: the import graph, and what is started, read or opened by its path. */
export type Graph = ReadonlyMap<string, ReadonlySet<string>>;

interface Source {
	path: string;
	text: string;
}

const CODE = /\.(tsx?|mjs|cjs|astro|css|sh)$|^(start|check|backup|restore)$/;
/** Gone once it is compiled: what it says is for the part `types`. */
const TYPES_ONLY = /(?:import|export) type [^;"]*?from "[^"]+";/g;
const ENDINGS = ["", ".ts", ".tsx", ".mjs", ".astro", "/index.ts"];
const TEST = /\.test\.tsx?$/;
const ALIAS = /^@(core|contract|formats|db|server|standins|web)\//;
/** A whole string, or a template up to its first hole. */
const STRING = /"([^"\n\\]+)"|'([^'\n\\]+)'|`([^`$\n\\]+)(?:`|\$\{)/g;

/**
 * Reads the graph off the text of all files. An edge is any string that names a file or a folder of the repository: an import, a worker's
 * address, a program that is started, a migration that is read. The names of actions and views lead to what does or shows them, an
 * address in a test to its page, one of the interface to its endpoint (a link is no dependency). Too many edges make a test run in vain; one too few would leave it out.
 */
export function graphOf(sources: readonly Source[]): Graph {
	const known = new Set(sources.map(({ path }) => path));
	const filesNamed = filesAmong(known);
	const names = namesOf(sources);
	const pages = pagesOf(known);
	const namedBy = ({ path, text }: Source): Set<string> => {
		const named = stringsOf(text).flatMap(({ said, before }) => [
			...filesNamed(path, said),
			...(isAskedFor(path, before) ? (names.get(said) ?? []) : []),
			...(asksPages(path, said) ? pages(said) : []),
		]);
		// Nobody rests on a test; a comment may name one.
		return new Set(named.filter((one) => one !== path && !TEST.test(one)));
	};
	return new Map(sources.map((source) => [source.path, CODE.test(source.path) ? namedBy(source) : new Set()]));
}

/** Everything that a change of these files can have touched: whoever names them, and whoever names those, and they themselves. */
export function touchedBy(changed: Iterable<string>, graph: Graph): Set<string> {
	const users = new Map<string, string[]>();
	for (const [path, named] of graph) for (const one of named) users.set(one, [...(users.get(one) ?? []), path]);
	const touched = new Set<string>();
	const waiting = [...changed];
	for (let path = waiting.pop(); path !== undefined; path = waiting.pop()) {
		if (touched.has(path)) continue;
		touched.add(path);
		waiting.push(...(users.get(path) ?? []));
	}
	return touched;
}

/** Every string of a file with the two signs before it; what is imported as a type alone left out. */
function stringsOf(text: string): { said: string; before: string }[] {
	const left = text.replace(TYPES_ONLY, "");
	return [...left.matchAll(STRING)].map(({ index, 1: double, 2: single, 3: template }) => ({
		said: double ?? single ?? template ?? "",
		before: left.slice(Math.max(0, index - 2), index),
	}));
}

/** Whether an address is asked for: by a browser or a program in front of a server; by the interface only where it is an endpoint's. */
const asksPages = (path: string, said: string): boolean =>
	said.startsWith("/") &&
	(/^tests\/(e2e|faults)\//.test(path) || (/^web\/(?!middleware)/.test(path) && said.startsWith("/api/")));

/** Whether a string may be the name of an action or a view: any of a test; of interface and demo one that is handed to a function. */
const isAskedFor = (path: string, before: string): boolean =>
	path.startsWith("tests/") || (/^(web|demo)\//.test(path) && /(\(|, |<)$/.test(before));

/** Finds what a string names: a file, also without its ending, or all below a folder. */
function filesAmong(known: ReadonlySet<string>): (from: string, said: string) => readonly string[] {
	const folders = foldersOf(known);
	return (from, said) => {
		if (said.length > 200 || /\s/.test(said)) return [];
		const base = said.startsWith(".") ? join(dirname(from), said) : ALIAS.test(said) ? said.slice(1) : said;
		const file = ENDINGS.map((ending) => base + ending).find((path) => known.has(path));
		if (file) return [file];
		return base.includes("/") ? (folders.get(base.replace(/\/$/, "")) ?? []) : [];
	};
}

function foldersOf(known: Iterable<string>): Map<string, string[]> {
	const folders = new Map<string, string[]>();
	for (const path of known)
		for (let folder = dirname(path); folder !== "."; folder = dirname(folder))
			folders.set(folder, [...(folders.get(folder) ?? []), path]);
	return folders;
}

/** Where each action and view of server/<word>/index.ts is made, and what its word's contract says of it. */
function namesOf(sources: readonly Source[]): Map<string, string[]> {
	const known = new Set(sources.map(({ path }) => path));
	const names = new Map<string, string[]>();
	for (const { path, text } of sources) {
		const word = /^server\/([^/]+)\/index\.ts$/.exec(path)?.[1];
		if (!word) continue;
		const contract = `contract/${word}.ts`;
		for (const [, list = "", file] of text.matchAll(/import \{([^}]+)\} from "\.\/([^"]+)"/g))
			for (const name of list.split(","))
				names.set(name.replace(/^.* as /, "").trim(), [
					`server/${word}/${file}.ts`,
					...(known.has(contract) ? [contract] : []),
				]);
	}
	return names;
}

/** Finds the pages and endpoints of an address; one that goes on after what is said finds all below it. */
function pagesOf(known: Iterable<string>): (address: string) => string[] {
	const routes = [...known].flatMap((path) => {
		const route = /^web\/pages(\/.*?)(?:\/index)?\.(?:astro|ts)$/.exec(path)?.[1];
		if (route === undefined || path.includes(".test.")) return [];
		const pattern = route.replace(/[.+()]/g, "\\$&").replace(/\[\.{3}[^\]]+\]|\[[^\]]+\]/g, "[^/]+");
		return [{ path, head: route.replace(/\[.*$/, ""), whole: new RegExp(`^${pattern.replace(/^\/index$/, "/")}$`) }];
	});
	return (said) => {
		const address = said.replace(/[?#].*$/, "");
		return routes.flatMap(({ path, head, whole }) =>
			whole.test(address) || (address.endsWith("/") && address.length > 1 && head.startsWith(address)) ? [path] : [],
		);
	};
}
