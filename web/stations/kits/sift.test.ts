import type { ListedKit } from "@contract/kits";
import type { FuseLevel } from "@core/firing/level";
import { readKit } from "@core/stack/read-kit";
import { describe, expect, it } from "vitest";
import { book, cut, fire, kit, square } from "../../../tests/support/kit";
import { EVERYTHING, levelOf, type Sift, sifted } from "./sift";

const studio = book();
const glasses = studio.glasses;
const listed = (
	name: string,
	more: Partial<ListedKit> & { levels?: FuseLevel[]; glassId?: string } = {},
): ListedKit => {
	const { levels = ["full"], glassId = "clear", ...rest } = more;
	const document = kit([cut(square(60), 0, 0, 0, glassId)], fire(...levels), { name });
	return {
		id: name,
		revision: 1,
		document,
		reading: readKit(document, studio),
		issued: 0,
		retired: false,
		usedAt: "2031-03-01T10:00:00.000Z",
		hours: 20,
		courses: [],
		...rest,
	};
};

const KITS = [
	listed("Weather vane", { levels: ["tack"], hours: 14, usedAt: "2031-03-05T10:00:00.000Z" }),
	listed("Dish", { levels: ["full", "slump"], hours: 40, glassId: "striker" }),
	listed("Ridge", { levels: ["full", "contour", "tack"], hours: null }),
	listed("Barn quilt", { glassId: "other", courses: [{ id: "c1", title: "Thursday evenings" }] }),
];
const names = (sift: Partial<Sift>) =>
	sifted(KITS, { ...EVERYTHING, ...sift }, glasses).map(({ document }) => document.name);

describe("the kits that are wanted", () => {
	it.each<[Partial<Sift>, string[]]>([
		[{}, ["Weather vane", "Barn quilt", "Dish", "Ridge"]],
		[{ order: "name" }, ["Barn quilt", "Dish", "Ridge", "Weather vane"]],
		[{ order: "level" }, ["Weather vane", "Barn quilt", "Dish", "Ridge"]],
		[{ order: "hours" }, ["Weather vane", "Barn quilt", "Dish", "Ridge"]],
		[{ text: "quilt BARN" }, ["Barn quilt"]],
		[{ text: "striker" }, ["Dish"]],
		[{ text: "thursday" }, ["Barn quilt"]],
		[{ text: "full striker" }, ["Dish"]],
		[{ text: "no such" }, []],
		[{ familyId: "96" }, ["Barn quilt"]],
		[{ level: "tack" }, ["Weather vane"]],
		[{ route: "once" }, ["Weather vane", "Barn quilt"]],
		[{ route: "twice" }, ["Dish"]],
		[{ route: "more" }, ["Ridge"]],
		[{ route: "slumped" }, ["Dish"]],
		[{ courseId: "c1" }, ["Barn quilt"]],
		[{ courseId: "c1", level: "tack" }, []],
	])("%j", (sift, found) => expect(names(sift)).toEqual(found));

	it("a kit is of the hottest level of its route: a slumped dish is a full fuse", () => {
		expect(KITS.map(levelOf)).toEqual(["tack", "full", "full", "full"]);
	});
});
