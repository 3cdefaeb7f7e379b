import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";

/** The made-up studio that everybody begins with, or one's own: each has a folder and a book of its own. */
export type Which = "demo" | "own";

const FOLDERS: Record<Which, string> = { demo: "studio", own: "own" };
/** Stands in the own studio's folder from the day it was begun. */
const BEGUN = "begun";

export const dataFolder = (): string => resolve(process.env.ZEPHYR_DATA || "data");

/** Where a studio's data are wished to lie. */
export const folderOf = (which: Which, data = dataFolder()): string => join(data, FOLDERS[which]);

/** The studio that is asked for by `--own` or `--demo`; where neither is, one's own as soon as it was begun. */
export function whichStudio(args: readonly string[], data = dataFolder()): Which {
	if (args.includes("--own")) return "own";
	if (args.includes("--demo")) return "demo";
	return existsSync(join(folderOf("own", data), BEGUN)) ? "own" : "demo";
}

export function markBegun(data = dataFolder()): void {
	mkdirSync(folderOf("own", data), { recursive: true });
	writeFileSync(join(folderOf("own", data), BEGUN), "");
}

/** What was given besides the choice of a studio. */
export const others = (args: readonly string[]): string[] => args.filter((one) => one !== "--own" && one !== "--demo");
