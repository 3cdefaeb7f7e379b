import { keptPlanOf } from "@core/cutting/plan/keep-plan";
import { searchPlans } from "@core/cutting/plan/search";
import { type Blank, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import { METRIC } from "@core/units/phrase";
import { createCanvas } from "@napi-rs/canvas";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { describe, expect, it } from "vitest";
import { fontFiles } from "../server/heavy/fonts";
import { cutMapPdf, tilesOf } from "./cut-map-pdf";

const blanks: Blank[] = [
	{ key: "a", widthMm: 100, heightMm: 80, count: 14, yields: 1, mayTurn: true, finish: "none" },
	{ key: "b", widthMm: 60, heightMm: 40, count: 9, yields: 2, mayTurn: true, finish: "diagonal" },
];
const found = [
	...searchPlans({ blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules: USUAL_CUT_RULES }, 8),
].at(-1);
const plan = keptPlanOf(
	found?.best.fewestSheets.plan ?? { sheets: [], short: [] },
	blanks,
	blanks,
	USUAL_CUT_RULES,
	undefined,
).sheets[0];
if (!plan) throw new Error("no plan");

const map = (scale: "full" | "fit") =>
	cutMapPdf({
		plan,
		blanks,
		kerfMm: 0,
		title: "Windbreak, sheet 1",
		studio: "A glass room",
		scale,
		units: METRIC,
		paper: "a4",
		fonts: fontFiles(),
	});

const DOTS_PER_MM = 8;

/** A page as dots, drawn by another library than the one that wrote it. */
async function rendered(bytes: Uint8Array, page: number) {
	const document = await getDocument({ data: bytes.slice(), disableFontFace: true }).promise;
	const its = await document.getPage(page);
	const viewport = its.getViewport({ scale: (DOTS_PER_MM * 25.4) / 72 });
	const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
	const context = canvas.getContext("2d");
	await its.render({ canvasContext: context as never, viewport }).promise;
	const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
	const isDark = (x: number, y: number) =>
		(data[4 * (y * width + x)] ?? 255) < 140 && (data[4 * (y * width + x) + 3] ?? 0) > 0;
	/** The longest dark level line between two heights, mm. */
	const longestLine = (fromMm: number, toMm: number) => {
		let longest = 0;
		for (let y = Math.round(fromMm * DOTS_PER_MM); y < Math.min(height, toMm * DOTS_PER_MM); y++)
			for (let x = 0, run = 0; x < width; x++) {
				run = isDark(x, y) ? run + 1 : 0;
				longest = Math.max(longest, run);
			}
		return longest / DOTS_PER_MM;
	};
	return { pages: document.numPages, longestLine };
}

describe("a cut map on paper", () => {
	it("is true to scale: the line that says 100 mm measures 100 mm as another library draws it, on every page", async () => {
		const bytes = await map("full");
		const { pages } = await rendered(bytes, 1);
		expect(pages).toBe(tilesOf(500, 430, { w: 210 - 24, h: 297 - 46 }).length);
		for (const page of [1, pages]) {
			const { longestLine } = await rendered(bytes, page);
			expect(Math.abs(longestLine(280, 290) - 100)).toBeLessThan(0.4);
		}
	});

	it("fitted to a page it is one page, as wide as the paper allows, and says that it is not to scale", async () => {
		const { pages, longestLine } = await rendered(await map("fit"), 1);
		expect(pages).toBe(1);
		// The sheet's upper edge: 500 mm on 186 mm of paper.
		expect(Math.abs(longestLine(20, 30) - 186)).toBeLessThan(0.6);
	});

	it.each([
		[100, 100, 1],
		[186, 251, 1],
		[187, 251, 2],
		[186 + 176, 251, 2],
		[186 + 177, 251 + 241, 6],
	])("a sheet of %d × %d mm takes %d pages, each showing 10 mm of its neighbours", (w, h, pages) => {
		const room = { w: 186, h: 251 };
		const tiles = tilesOf(w, h, room);
		expect(tiles).toHaveLength(pages);
		for (const { column, row, xMm, yMm } of tiles) expect([xMm, yMm]).toEqual([column * 176, row * 241]);
		const last = tiles.at(-1);
		expect((last?.xMm ?? 0) + room.w).toBeGreaterThanOrEqual(w);
		expect((last?.yMm ?? 0) + room.h).toBeGreaterThanOrEqual(h);
	});
});
