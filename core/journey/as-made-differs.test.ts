import { describe, expect, it } from "vitest";
import { book, cut, fire, kit, lay, square } from "../../tests/support/kit";
import type { KitBody } from "../piece/piece-body";
import { readKit } from "../stack/read-kit";
import { METRIC, phraseText } from "../units/phrase";
import { asMadeDiffers } from "./as-made-differs";
import type { AsMade } from "./events";

const bodyOf = (...of: Parameters<typeof kit>) => readKit(kit(...of), book()).bodies?.[0] as KitBody;
const planned = bodyOf([cut(square(100), 0), cut(square(100), 1)]);
const made = (change: Partial<AsMade> = {}): AsMade => ({
	widthMm: 100,
	heightMm: 100,
	thickestMm: 6,
	thinnestMm: 6,
	massG: null,
	changed: "",
	...change,
});
const said = (...of: Parameters<typeof asMadeDiffers>) => asMadeDiffers(...of).map((one) => phraseText(one, METRIC));

describe("a piece as it was made, held against its kit", () => {
	it("says nothing where it behaves as planned, weighed or not, within what pieces of a kit differ by", () => {
		expect(said(planned, made(), "full")).toEqual([]);
		expect(said(planned, made({ massG: 150 }), "full")).toEqual([]);
		expect(said(planned, made({ thickestMm: 7, thinnestMm: 5.5 }), "full")).toEqual([]);
	});
	// An hour of soak for 6 mm: common practice, no source.
	it("stacked twice as high it anneals as twice as thick, an hour longer, and its edge goes outwards", () => {
		const [soak, edge] = said(planned, made({ thickestMm: 12, thinnestMm: 12 }), "full");
		expect(soak).toBe("It anneals as 12 mm, the kit as 6 mm: 1 h more of soak.");
		expect(edge).toMatch(/^At full its edge goes \d+(\.\d)? mm outwards, the kit’s /);
	});
	it("the same heights ask for more at a level that leaves them, and spread less", () => {
		const [soak, edge] = said(planned, made({ thickestMm: 12, thinnestMm: 3 }), "tack");
		expect(soak).toContain("It anneals as 30 mm");
		expect(edge).toBeUndefined();
	});
	it("what stays inside a kit counts as planned: a pocket measured over its insert is no surprise", () => {
		const insert = lay({ kind: "fibre", use: "insert", shape: square(40), heightMm: 6 }, 1);
		const pocket = bodyOf([cut(square(100), 0), insert, cut(square(100), 2)], fire("tack"));
		expect(pocket).toMatchObject({ insertMm: 6, aroundMm: 6 });
		expect(said(pocket, made({ thickestMm: 12, thinnestMm: 6 }), "tack")).toEqual([]);
	});
});
