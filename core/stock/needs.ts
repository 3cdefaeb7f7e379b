import type { CountedLine } from "../cutting/glass-lists";
import { cutLengths } from "../cutting/lengths";
import { boxOf } from "../geometry/shape";
import { groupBy } from "../group-by";
import { madeOfDot } from "../kit/dot-glasses";
import type { StockItem } from "./kinds";
import type { StockNeed } from "./to-buy";

const nothing = { name: "", widthMm: null, heightMm: null, sizeMm: null, madeOf: null };
/** A thread of a glass that is not in the stock comes in this length. Common practice, no source: about 43 cm. */
export const USUAL_ROD_MM = 430;

/** A fired part as it lies in the drawer: a dot by its glass and size, anything else by what it is made of. */
export const firedThing = (
	name: string,
	{ madeOf, glassId, sizeMm }: { madeOf: string; glassId: string | null; sizeMm: number | null },
): Omit<StockNeed, "amount"> =>
	glassId !== null && sizeMm !== null && madeOf === madeOfDot(glassId, sizeMm)
		? { ...nothing, kind: "component", glassId, sizeMm }
		: { ...nothing, kind: "component", name, glassId, sizeMm, madeOf };

/** What lists still take of everything that is not sheet: grams of frit, whole rods of thread, loops, foil, fired dots. */
export function needsOf(
	lines: readonly CountedLine[],
	items: readonly Pick<StockItem, "kind" | "glassId" | "sizeMm">[],
): StockNeed[] {
	const open = lines
		.map((line) => ({ line, left: Math.max(0, line.needed + line.spares - line.done) }))
		.filter(({ left }) => left > 0);
	const threads = groupBy(
		open.filter(({ line }) => line.kind === "thread"),
		({ line }) => line.glassId,
	);
	return [
		...open.flatMap(({ line, left }) => needOf(line, left)),
		...[...threads].map(([glassId, its]): StockNeed => {
			const rod = items.find((one) => one.kind === "thread" && one.glassId === glassId)?.sizeMm ?? USUAL_ROD_MM;
			const lengths = its.flatMap(({ line, left }) => Array.from({ length: left }, () => lengthOf(line)));
			const { rods, tooLong } = cutLengths(lengths, rod);
			return { ...nothing, kind: "thread", glassId, sizeMm: rod, amount: rods.length + tooLong.length };
		}),
	];
}

const lengthOf = ({ amount }: CountedLine): number => (amount && "mm" in amount ? amount.mm : 0);

function needOf(line: CountedLine, left: number): StockNeed[] {
	const { kind, glassId, stuff, amount, shape, isBought } = line;
	switch (kind) {
		case "sheet": {
			if (!isBought || !shape) return [];
			const [widthMm, heightMm] = boxOf(shape);
			return [{ ...nothing, kind: "precut", glassId, name: shape.kind, widthMm, heightMm, amount: left }];
		}
		case "grains":
			return [
				{ ...nothing, kind: "grains", glassId, amount: rounded(left * (amount && "g" in amount ? amount.g : 0)) },
			];
		case "lump":
			return [{ ...nothing, kind: "component", glassId, sizeMm: lengthOf(line), amount: left }];
		case "loop":
			return [{ ...nothing, kind: "finding", glassId: null, name: stuff, sizeMm: lengthOf(line), amount: left }];
		case "foil":
		case "fibre":
		case "dam":
			return [{ ...nothing, kind: "finding", glassId: null, name: stuff, amount: left }];
		default:
			return [];
	}
}

const rounded = (grams: number): number => Math.round(grams * 10) / 10;
