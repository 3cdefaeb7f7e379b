import { describe, expect, it } from "vitest";
import { bar, book, cut, kit, square } from "../../tests/support/kit";
import type { KitPart } from "../kit/kit";
import { onShelf } from "./on-shelf";
import { readKit } from "./read-kit";
import { stackOf } from "./stack";

const studio = book();
const names = (parts: KitPart[], turnedOver = false) =>
	onShelf(stackOf(kit(parts, [{ level: "full", handWork: "", ...(turnedOver && { turnedOver }) }]), studio))
		.map(({ part }) => ("glassId" in part ? part.glassId : part.kind))
		.sort();

describe("what lies on the shelf", () => {
	const base = cut(square(120));
	const tiles = [-40, 0, 40].map((x) => cut(square(30), 1, x, 0, "white"));

	it("is the base, however much lies on it; upside down it is all that reached highest", () => {
		expect(names([base, ...tiles])).toEqual(["clear"]);
		expect(names([base, ...tiles], true)).toEqual(["white", "white", "white"]);
	});

	it("is not what reaches over the edge of the base, nor what lies lower when it is upside down", () => {
		expect(names([base, cut(bar(160, 20), 1, 0, 0, "white")])).toEqual(["clear"]);
		expect(names([base, ...tiles, cut(square(10), 2, 0, 0, "black")], true)).toEqual(["black"]);
	});

	it("tells paper under it where that is opaque", () => {
		const opaque = (turnedOver: boolean) =>
			readKit(kit([base, ...tiles], [{ level: "full", handWork: "", turnedOver }]), studio);
		expect(opaque(false).bodies?.[0]?.opaqueBelow).toBe(false);
		expect(opaque(true).bodies?.[0]?.opaqueBelow).toBe(true);
		const said = opaque(true).findings.find(({ code }) => code === "opaque-on-shelf");
		expect(said?.partIds).toHaveLength(3);
	});
});
