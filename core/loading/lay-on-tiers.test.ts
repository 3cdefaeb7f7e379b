import { describe, expect, it } from "vitest";
import { wrongOnShelves } from "../../tests/support/shelf-checker";
import { cases } from "../../tests/support/thorough";
import { FAMILY_90, FAMILY_96 } from "../glass/family";
import { seededRandom } from "../seeded-random";
import { METRIC, phraseText, type Units } from "../units/phrase";
import { heatProblems, keepsLevel, type Reached } from "./heat-there";
import { layOnTiers } from "./lay-on-tiers";
import { shelvedProblems } from "./lay-problems";
import { layWords } from "./lay-words";
import { heldProblems, loadProblems } from "./load-problems";
import { boxOutline } from "./outlines/fired-outline";
import { formOf } from "./outlines/form";
import type { Uneven } from "./outlines/to-middle";
import type { PlacedPiece, ShelfPiece } from "./placement";
import { type KilnShelves, tiersOf } from "./tiers";

const posts = [
	{ xMm: 40, yMm: 40, acrossMm: 30 },
	{ xMm: 360, yMm: 40, acrossMm: 30 },
	{ xMm: 200, yMm: 360, acrossMm: 30 },
];
const kiln: KilnShelves = {
	shelf: { widthMm: 400, heightMm: 400, marginMm: 10, shape: "rectangle", posts },
	clearHeightMm: 180,
	upper: [{ postMm: 40, offsetK: 6 }],
};
const stand = (id: string, widthMm: number, heightMm: number, standsMm = 6, rank = 0): ShelfPiece => ({
	...{ id, rank, standsMm, familyId: "90" },
	form: formOf(boxOutline(widthMm, heightMm)),
});
const many = (n: number, make: (i: number) => ShelfPiece) => Array.from({ length: n }, (_, i) => make(i));
const lay = (pieces: readonly ShelfPiece[], change: Partial<Parameters<typeof layOnTiers>[0]> = {}) =>
	layOnTiers({ pieces, kiln, clearanceMm: 5, passes: 0, barred: () => [], ...change });
const onShelf = ({ laid }: ReturnType<typeof lay>, shelf: number) =>
	laid.filter((one) => one.shelf === shelf).map(({ id }) => id);

describe("a load on several shelves", () => {
	it("takes one shelf where that holds all, without its posts in the way", () => {
		const found = lay(many(9, (i) => stand(`p${i}`, 115, 115)));
		expect(found).toMatchObject({ shelves: 1, leftIds: [] });
	});
	it("takes the next where it does not", () => {
		const found = lay(many(16, (i) => stand(`p${i}`, 110, 110)));
		expect(found).toMatchObject({ shelves: 2, leftIds: [] });
		expect(onShelf(found, 0).length).toBeGreaterThan(5);
	});
	it("what is tall stands on the upper one, under the lid", () => {
		const found = lay([...many(14, (i) => stand(`p${i}`, 110, 110)), stand("tall", 110, 110, 90)]);
		expect(found.leftIds).toEqual([]);
		expect(onShelf(found, 1)).toContain("tall");
	});
	it("leaves out whoever was promised last", () => {
		const found = lay(many(24, (i) => stand(`p${i}`, 110, 110, 6, i < 8 ? 0 : 1)));
		expect(found.leftIds.length).toBeGreaterThan(0);
		expect(found.leftIds.every((id) => Number(id.slice(1)) >= 8)).toBe(true);
	});
	it("goes round what is pinned, on its shelf", () => {
		const { form, standsMm } = stand("pin", 110, 110);
		const pinned: PlacedPiece[] = [
			{ id: "pin", familyId: "90", form, standsMm, xMm: 200, yMm: 200, turnDeg: 0, shelf: 1 },
		];
		const found = lay(
			many(6, (i) => stand(`p${i}`, 110, 110)),
			{ pinned },
		);
		expect(found.shelves).toBe(2);
		expect(found.leftIds).toEqual([]);
		const all = [...found.laid, ...pinned].map((one) => ({ ...one, outline: form.outline, standsMm }));
		expect(wrongOnShelves(all, kiln, 5)).toEqual([]);
	});
	it("puts nothing on a shelf that is barred", () => {
		const found = lay(
			many(16, (i) => stand(`p${i}`, 110, 110)),
			{ barred: ({ offsetK }) => (offsetK ? undefined : []) },
		);
		expect(onShelf(found, 1)).toEqual([]);
		expect(found.leftIds.length).toBeGreaterThan(0);
	});
	it.each(many(cases(40, 12), (i) => stand(String(i + 1), 1, 1)).map(({ id }) => Number(id)))(
		"studio %i: nothing touches, stands in a post or reaches what is above it (independent checker)",
		(seed) => {
			const random = seededRandom(seed);
			const size = (from: number, to: number) => Math.round(from + random() * (to - from));
			const pieces = many(size(1, 40), (i) => stand(`p${i}`, size(30, 140), size(30, 140), size(3, 200), size(0, 3)));
			const upper = many(size(0, 3), () => stand("", 1, 1)).map(() => ({ postMm: size(15, 60), offsetK: 0 }));
			const shape = (["rectangle", "round", "octagon"] as const)[seed % 3] ?? "round";
			const into = { ...kiln, upper, shelf: { ...kiln.shelf, shape } };
			const found = lay(pieces, { kiln: into });
			expect([...found.laid.map(({ id }) => id), ...found.leftIds].sort()).toEqual(pieces.map(({ id }) => id).sort());
			const all = found.laid.map((one) => {
				const { form, standsMm } = pieces.find(({ id }) => id === one.id) as ShelfPiece;
				return { ...one, familyId: "90", form, outline: form.outline, standsMm };
			});
			expect(wrongOnShelves(all, into, 5)).toEqual([]);
			expect(shelvedProblems(all, tiersOf(into, found.shelves), 5)).toEqual([]);
		},
	);
});

describe("where it is hotter", () => {
	const reached: Reached = { family: FAMILY_90, level: "tack", flow: 0.45, peakC: 740 };
	// Common practice, no source: tack turns to contour within some fifteen degrees, a full fuse bears more.
	it.each([
		["tack", reached, 10, true],
		["tack", reached, 20, false],
		["tack", reached, -20, true],
		["tack", reached, -35, false],
		["full", { ...reached, level: "full" as const, flow: 4.9, peakC: 800 }, 20, true],
		["full", { ...reached, level: "full" as const, flow: 4.9, peakC: 800 }, -30, false],
	])("%s, %#: %o", (_, firing, offsetK, keeps) => expect(keepsLevel(firing, offsetK)).toBe(keeps));

	const hot = { xMm: 200, yMm: 0, widthMm: 200, heightMm: 400, offsetK: 20 };
	const there = (xMm: number, shelf = 0): PlacedPiece => {
		const { form, standsMm } = stand("a", 100, 100);
		return { id: "a", familyId: "90", form, standsMm, xMm, yMm: 200, turnDeg: 0, shelf };
	};
	it.each([
		["in the even half", there(100), []],
		["a little over the edge of the hot half", there(170), []],
		["in the hot half", there(300), [{ kind: "heat", id: "a", offsetK: 20, comes: "contour" }]],
		["in it, on the upper shelf", there(300, 1), [{ kind: "heat", id: "a", offsetK: 26, comes: "contour" }]],
	])("a piece %s", (_, one, expected) =>
		expect(heatProblems([one], tiersOf(kiln, 2), [hot], reached)).toEqual(expected),
	);
	it("is said in words", () => {
		const wrong = { kind: "heat", id: "a", offsetK: 20.4, comes: "contour" } as const;
		const words = (its: Parameters<typeof layWords>[0], units: Units = METRIC) =>
			phraseText(
				layWords(its, (id) => `K-${id}`, 5),
				units,
			);
		expect(words(wrong)).toBe("K-a would come out contour where it lies: it is 20 °C hotter there.");
		expect(words(wrong, { length: "in", temperature: "F" })).toContain("37 °F hotter");
		expect(words({ ...wrong, offsetK: -60, comes: undefined })).toContain("hardly change");
		expect(words({ kind: "tall", id: "a" })).toContain("too high for its shelf");
		expect(words({ kind: "near", id: "a", otherId: "b" })).toBe("K-a and K-b would touch, or come nearer than 5 mm.");
		expect(words({ kind: "post", id: "a" })).toContain("a post, or come nearer than 5 mm");
	});
});

describe("a piece in the hand", () => {
	const into = { kiln: { ...kiln, uneven: [] as Uneven[] }, clearanceMm: 5 };
	const reached: Reached = { family: FAMILY_90, level: "tack", flow: 0.45, peakC: 740 };
	it.each([1, 2, 3, 4, 5, 6, 7, 8])("hand %i: is asked alone what is asked of all", (seed) => {
		const random = seededRandom(seed);
		const place = (id: string, standsMm: number) => ({
			...{ id, standsMm, familyId: random() < 0.5 ? "90" : "96", form: stand(id, 60, 90).form },
			...{ xMm: random() * 400, yMm: random() * 400, turnDeg: 15 * Math.floor(random() * 24) },
			shelf: Math.floor(random() * 2.2),
		});
		const [one, ...others] = many(14, () => stand("", 1, 1)).map((_, i) => place(`p${i}`, random() * 60));
		if (!one) throw new Error("nothing in the hand");
		const families = seed % 2 ? [reached] : [reached, { ...reached, family: FAMILY_96 }];
		const hot = { xMm: 100, yMm: 50, widthMm: 220, heightMm: 260, offsetK: 25 };
		const task = { ...into, kiln: { ...kiln, uneven: [hot] }, reached: families };
		const named = (all: ReturnType<typeof loadProblems>) =>
			all.map((its) => [its.kind, ...("otherId" in its ? [its.id, its.otherId].sort() : [its.id])].join(" ")).sort();
		const whole = named(loadProblems([one, ...others], task));
		// Others stay on their shelves: those of the one in the hand may add the topmost.
		const stays = { ...one, shelf: Math.max(0, ...others.map(({ shelf }) => shelf)) };
		const all = named(loadProblems([stays, ...others], task));
		expect(named([...heldProblems(stays, others, task), ...loadProblems(others, task)])).toEqual(all);
		expect(whole.length).toBeGreaterThan(0);
	});
});
