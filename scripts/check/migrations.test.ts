import { describe, expect, it } from "vitest";
import { migrationProblems } from "./migrations";

const files = (...texts: string[]) => new Map(texts.map((text, i) => [`000${i}_m.sql`, text]));
const journal = (...whens: number[]) => whens.map((when, i) => ({ tag: `000${i}_m`, when }));

describe("migrations", () => {
	it.each([
		["each as it was committed, and a new one", files("a", "b"), files("a"), journal(1, 2), []],
		[
			"edited",
			files("a, and b"),
			files("a"),
			journal(1),
			["0000_m.sql was edited after it was committed. Take that back, and do it in a migration of its own."],
		],
		[
			"gone",
			files(),
			files("a"),
			journal(1),
			["0000_m.sql was committed and is gone. Take it back.", "0000_m.sql is in the journal and not in the folder."],
		],
		[
			"not listed",
			files("a", "b"),
			files(),
			journal(1),
			["0001_m.sql is in the folder and not in the journal: it is never run."],
		],
		[
			"dated back",
			files("a", "b"),
			files(),
			journal(2, 1),
			["0001_m is dated before the one it follows: a database that has that one skips it."],
		],
	])("%s", (_, now, committed, listed, problems) =>
		expect(migrationProblems({ now, committed, journal: listed })).toEqual(problems),
	);
});
