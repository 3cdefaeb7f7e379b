import { describe, expect, it } from "vitest";
import { book, cut, kit, lay, square } from "../../tests/support/kit";
import { bagOf } from "../cutting/bag";
import { forBag } from "./for-bag";
import type { StockItem } from "./kinds";

const item = (id: string, amount: number, change: Partial<StockItem>): StockItem & { amount: number } => ({
	...{ id, amount, kind: "finding", glassId: null, name: "", widthMm: null, heightMm: null, sizeMm: null },
	...{ place: "", low: null, buyAmount: 1, priceMinor: null, supplier: "", fromItemId: null },
	...change,
});

const bag = bagOf(
	kit([
		cut(square(40)),
		lay({ kind: "grains", glassId: "powder", gPerCm2: 0.2, shape: square(50) }),
		lay({ kind: "lump", form: "dome", diameterMm: 10, heightMm: 5, glassId: "clear" }),
		lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 12 }),
	]),
	book().glasses,
);
const powder = (amount: number, id = "jar") => item(id, amount, { kind: "grains", glassId: "powder" });
const dots = (amount: number) => item("dots", amount, { kind: "component", glassId: "clear", sizeMm: 10 });
const loops = (amount: number) => item("loops", amount, { name: "copper wire loop", sizeMm: 6 });

describe("what a bag takes of the stock", () => {
	it("is what is weighed and counted out, no sheet", () => {
		expect(forBag(bag, [powder(100), dots(4), loops(9), item("s", 3, { kind: "sheet", glassId: "clear" })])).toEqual({
			jar: 5,
			dots: 1,
			loops: 1,
		});
	});

	it("a thread is the part of its rod that it is long", () => {
		const threads = bagOf(
			kit([
				lay({
					kind: "thread",
					glassId: "clear-thread",
					points: [
						{ x: 0, y: 0 },
						{ x: 43, y: 0 },
					],
				}),
			]),
			book().glasses,
		);
		const rods = item("rods", 12, { kind: "thread", glassId: "clear-thread", sizeMm: 430 });
		expect(forBag(threads, [rods])).toEqual({ rods: 0.1 });
		expect(forBag(threads, [{ ...rods, amount: 0.04 }])).toEqual({ rods: 0.04 });
		expect(forBag(threads, [item("other", 3, { kind: "thread", glassId: "dusk", sizeMm: 430 })])).toEqual({});
	});

	it("is never more than there is, from as many jars as it takes", () => {
		expect(forBag(bag, [powder(3), powder(9, "other jar"), dots(0)])).toEqual({ jar: 3, "other jar": 2 });
		expect(forBag(bag, [])).toEqual({});
	});

	it("is nothing of what is not in it", () => {
		const glue = bag.filter(({ key }) => key === "glue");
		expect(forBag(glue, [powder(100), dots(4), loops(9)])).toEqual({});
	});
});
