import { describe, expect, it } from "vitest";
import type { Shelf } from "./shelf";
import { BOARD_MM, heatPlaces, type KilnShelves, shelfWords, tiersOf, topClearMm } from "./tiers";

const posts = [{ xMm: 40, yMm: 40, acrossMm: 30 }];
const shelf: Shelf = { widthMm: 400, heightMm: 400, marginMm: 10, shape: "rectangle", posts };
const kiln: KilnShelves = {
	...{ shelf, clearHeightMm: 200 },
	upper: [
		{ postMm: 60, offsetK: 4 },
		{ postMm: 40, offsetK: 9 },
	],
};
const brief = (used: number, of = kiln) =>
	tiersOf(of, used).map((tier) => [tier.clearHeightMm, tier.offsetK, tier.shelf.posts?.length ?? 0]);

describe("shelves over each other", () => {
	it.each([
		["alone: the whole height, no posts", 1, [[200, 0, 0]]],
		[
			"two: posts under the upper one",
			2,
			[
				[60, 0, 1],
				[200 - 60 - BOARD_MM, 4, 0],
			],
		],
		[
			"three",
			3,
			[
				[60, 0, 1],
				[40, 4, 1],
				[200 - 100 - 2 * BOARD_MM, 9, 0],
			],
		],
		[
			"never more than there are",
			5,
			[
				[60, 0, 1],
				[40, 4, 1],
				[200 - 100 - 2 * BOARD_MM, 9, 0],
			],
		],
	])("%s", (_, used, expected) => expect(brief(used)).toEqual(expected));

	it("in a kiln of one shelf the posts that are written down stand always", () =>
		expect(brief(1, { shelf, clearHeightMm: 200 })).toEqual([[200, 0, 1]]));

	it("a shelf above is a place of its own where it is hotter, while it is used", () => {
		const zones = [{ name: "by the door", offsetK: -9, xMm: 0 }];
		const upper = [...(kiln.upper ?? []), { postMm: 20, offsetK: 0 }];
		const door = { name: "by the door", offsetK: -9 };
		expect(heatPlaces({ zones, upper }, 1)).toEqual([door]);
		expect(heatPlaces({ zones, upper }, 4)).toEqual([
			door,
			{ name: "shelf 2", offsetK: 4 },
			{ name: "shelf 3", offsetK: 9 },
		]);
	});
	it("says what is left over the topmost", () => {
		expect(topClearMm(kiln)).toBe(70);
		expect(topClearMm({ clearHeightMm: 50 })).toBe(50);
	});

	it.each([
		[1, ["shelf"]],
		[2, ["lower shelf", "upper shelf"]],
		[4, ["lowest shelf", "shelf 2", "shelf 3", "top shelf"]],
	])("%i have names", (of, names) => expect(Array.from({ length: of }, (_, i) => shelfWords(i, of))).toEqual(names));
});
