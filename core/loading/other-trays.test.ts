import { describe, expect, it } from "vitest";
import { measured } from "../../tests/support/measured";
import { FUSE_LEVELS, type FuseLevel } from "../firing/level";
import type { AsMade } from "../journey/events";
import { METRIC, phraseText } from "../units/phrase";
import { otherTrays } from "./other-trays";

const made: AsMade = { widthMm: 100, heightMm: 100, thickestMm: 12, thinnestMm: 6, massG: null, changed: "" };
const of = (level: FuseLevel, hadLevel?: FuseLevel, asMade = made) =>
	otherTrays(measured(asMade, level, hadLevel ? { hadLevel } : {}));

describe("trays a piece may go to", () => {
	// Common practice, no source: one step hotter or cooler among the levels that join glass lying flat.
	it.each<[FuseLevel, FuseLevel | undefined, string]>([
		["sinter", undefined, "up tack"],
		["tack", undefined, "down sinter, up contour"],
		["contour", undefined, "down tack, up full"],
		["full", undefined, "down contour"],
		["slump", "full", ""],
		["firePolish", "full", ""],
		["deep", undefined, ""],
	])("%s after %s: %s", (level, had, ways) =>
		expect(
			of(level, had)
				.map((one) => `${one.way} ${one.level}`)
				.join(", "),
		).toBe(ways),
	);

	it("none cooler than what it had: that would change nothing", () => {
		expect(of("contour", "contour").map(({ level }) => level)).toEqual(["full"]);
		expect(of("full", "full")).toEqual([]);
		expect(of("tack", "deep")).toEqual([]);
	});

	it("each says what it does, with its figures: the factors of the thickness it cools as at twice as thick as thin are tack 2, contour 1.5, full 1 (common practice, no source)", () => {
		const [down, up] = of("contour").map(({ does }) => does.map((one) => phraseText(one, METRIC)));
		expect(down?.at(-1)).toBe("It cools as 24 mm, not as 18 mm.");
		expect(up?.at(-1)).toBe("It cools as 12 mm, not as 18 mm.");
		expect(up?.[0]).toContain("level and smooth");
	});

	it("hotter never ends nearer to where it began; thick glass goes outwards, a single sheet inwards", () => {
		const far = (level: FuseLevel, asMade: AsMade) => {
			const up = of(level, undefined, asMade).find(({ way }) => way === "up");
			const [then, now] = (up?.does[1] ?? []).flatMap((part) =>
				typeof part === "object" && "mm" in part ? [part.mm] : [],
			);
			return { hotter: then ?? 0, now: now ?? 0, words: phraseText(up?.does[1] ?? [], METRIC) };
		};
		for (const level of FUSE_LEVELS.filter((one) => of(one).some(({ way }) => way === "up")))
			for (const thickestMm of [3, 6.5, 9, 15]) {
				const asMade = { ...made, thickestMm, thinnestMm: thickestMm };
				const { hotter, now, words } = far(level, asMade);
				expect(hotter).toBeGreaterThanOrEqual(now - 1e-9);
				expect(words).toContain(thickestMm < 6 ? "inwards" : "outwards");
			}
	});
});
