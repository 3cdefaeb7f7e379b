import { ok, problem, type Result } from "@core/result";
import { parseLengthMm } from "@core/units/length";
import type { Units } from "@core/units/phrase";
import { parseTemperatureC } from "@core/units/temperature";
import { type BrokenLine, cellOf, guessColumns, type Mapping, nameKey } from "./columns";
import type { TableFile } from "./table-file";

/** How a cell is read. Money is read by who knows the currency. */
type Reading = "words" | "count" | "length" | "temperature" | "watts" | "yes" | Record<string, RegExp>;

interface Column {
	/** What it is called on the screen. */
	words: string;
	/** What heads such columns in lists that came. */
	head: RegExp;
	read: Reading;
}

/** What a list of one kind of thing can say; everything has a name. */
export type ListSpec<W extends string> = Record<W | "name", Column>;

const FORMS = {
	frit: /frit|crush|powder|körn|granul/i,
	stringer: /stringer|thread|faden/i,
	ribbon: /ribbon|noodle|band/i,
	cane: /cane|slice|murrin|stab/i,
	sheet: /sheet|tafel|plat|plaque/i,
};
const SHAPES = { octagon: /octagon|eight|acht/i, round: /round|circ|rund/i, rectangle: /rect|square|recht|quadrat/i };

/** Columns are looked for in this order: the narrow word before the wide one. */
export const GLASS_LIST = {
	firedColour: { words: "colour after firing", head: /fired|after fir|gebrannt/i, read: "words" },
	boughtColour: { words: "colour as bought", head: /colou?r|farbe|hex/i, read: "words" },
	thicknessMm: { words: "thickness", head: /thick|stärke|dicke|épais/i, read: "length" },
	widthMm: { words: "width, of ribbon", head: /width|breite/i, read: "length" },
	grade: {
		words: "grade, of frit",
		head: /grade|grain|körnung/i,
		read: { powder: /powder|pulver/i, fine: /fine|fein/i, medium: /medium|mittel/i, coarse: /coarse|grob/i },
	},
	form: { words: "form", head: /form|kind|type|art\b/i, read: FORMS },
	opacity: {
		words: "how clear",
		head: /opac|clear|transp/i,
		read: { opalescent: /opal|opaque/i, transparent: /transp|cathedral/i, clear: /clear|klar/i },
	},
	coating: {
		words: "coating",
		head: /coat|irid|dichro/i,
		read: { dichroic: /dichro/i, iridescent: /irid|rainbow/i, none: /none|no|-/i },
	},
	familyId: { words: "family", head: /famil|expan|coe|wak|ausdehn/i, read: "words" },
	price: { words: "price", head: /price|cost|preis|prix/i, read: "words" },
	name: { words: "name", head: /name|glass|glas|verre|item/i, read: "words" },
} satisfies ListSpec<string>;

export const MOULD_LIST = {
	opening: {
		words: "opening",
		head: /opening|shape|öffnung/i,
		read: { round: SHAPES.round, rectangle: SHAPES.rectangle },
	},
	kind: {
		words: "kind",
		head: /kind|type|art\b/i,
		read: {
			stand: /stand|easel|curves/i,
			drape: /drape|over/i,
			frame: /frame|rahmen/i,
			ring: /ring/i,
			texture: /textur|tile/i,
			dish: /dish|bowl|slump|schale|plate/i,
		},
	},
	widthMm: { words: "width", head: /width|diam|breite|ø/i, read: "length" },
	heightMm: { words: "length", head: /length|height|länge/i, read: "length" },
	depthMm: { words: "depth", head: /depth|deep|tiefe/i, read: "length" },
	maxC: { words: "highest temperature", head: /max|temp|highest/i, read: "temperature" },
	vented: { words: "vented", head: /vent|hole|loch/i, read: "yes" },
	release: {
		words: "release",
		head: /release|wash|paper/i,
		read: { papered: /paper|papier/i, washed: /wash|primer/i, bare: /bare|none|no/i },
	},
	count: { words: "how many alike", head: /count|many|quantity|pieces|anzahl|stück/i, read: "count" },
	texture: { words: "texture", head: /textur|surface/i, read: "words" },
	name: { words: "name", head: /name|mould|mold|form/i, read: "words" },
} satisfies ListSpec<string>;

export const KILN_LIST = {
	doorSide: { words: "door", head: /door|open|lid|tür/i, read: { top: /top|lid|oben|deckel/i, front: /front|vorn/i } },
	shelfShape: { words: "shelf’s shape", head: /shape|form/i, read: SHAPES },
	shelfWidthMm: { words: "shelf’s width", head: /width|diam|breite|ø/i, read: "length" },
	shelfHeightMm: { words: "shelf’s depth", head: /depth|length|tiefe|länge/i, read: "length" },
	clearHeightMm: { words: "clear height", head: /clear|height|höhe/i, read: "length" },
	plateW: { words: "power", head: /power|watt|kw|leistung/i, read: "watts" },
	maxC: { words: "highest temperature", head: /max|temp|highest/i, read: "temperature" },
	name: { words: "name", head: /name|kiln|ofen|four/i, read: "words" },
} satisfies ListSpec<string>;

/** What a list says of one thing: of its columns those that stand there, read. */
export interface ListedThing<W extends string> {
	line: number;
	name: string;
	said: Partial<Record<W, string | number | boolean>>;
}

export interface ThingList<W extends string> {
	things: ListedThing<W>[];
	broken: BrokenLine[];
	/** Lines that name the same thing again; what they add was taken. */
	twice: { line: number; first: number }[];
}

const columnsOf = <W extends string>(spec: ListSpec<W>) => Object.entries(spec) as [W | "name", Column][];

export const guessList = <W extends string>(table: TableFile, spec: ListSpec<W>): Mapping<W | "name"> =>
	guessColumns(
		table.columns,
		columnsOf(spec).map(([what, { head }]) => [what, head] as const),
	);

/** The things of a table. A cell that cannot be read breaks its line: nothing is taken by half. */
export function readList<W extends string>(
	table: TableFile,
	mapping: Mapping<W | "name">,
	spec: ListSpec<W>,
	units: Units,
): ThingList<W> {
	const list: ThingList<W> = { things: [], broken: [...table.broken], twice: [] };
	const known = new Map<string, ListedThing<W>>();
	for (const row of table.rows) {
		const { line } = row;
		const name = cellOf(row, mapping, "name");
		if (name === "") {
			list.broken.push({ line, sentence: "It has no name." });
			continue;
		}
		const said: ListedThing<W>["said"] = {};
		const wrong: string[] = [];
		for (const [what, { words, read }] of columnsOf(spec)) {
			const cell = what === "name" ? "" : cellOf(row, mapping, what);
			if (cell === "") continue;
			const value = readCell(cell, read, units);
			if (value.ok) said[what as W] = value.value;
			else wrong.push(`${words}: ${value.problems[0]?.sentence}`);
		}
		if (wrong.length > 0) {
			list.broken.push({ line, sentence: wrong.join(" ") });
			continue;
		}
		const before = known.get(nameKey(name));
		if (before) {
			list.twice.push({ line, first: before.line });
			before.said = { ...said, ...before.said };
			continue;
		}
		const thing = { line, name, said };
		known.set(nameKey(name), thing);
		list.things.push(thing);
	}
	list.broken.sort((a, b) => a.line - b.line);
	return list;
}

const YES = /^(y|yes|ja|oui|sí|si|true|1|x|✓)$/i;
const NO = /^(n|no|nein|non|false|0|-)$/i;

function readCell(cell: string, read: Reading, units: Units): Result<string | number | boolean> {
	if (read === "words") return ok(cell);
	if (read === "length") return parseLengthMm(cell, units.length);
	if (read === "temperature") return parseTemperatureC(cell, units.temperature);
	if (read === "watts") return readWatts(cell);
	if (read === "count")
		return /^\d{1,6}$/.test(cell.trim()) ? ok(Number(cell)) : problem([], `“${cell}” is not a whole number.`);
	if (read === "yes")
		return YES.test(cell) ? ok(true) : NO.test(cell) ? ok(false) : problem([], `“${cell}” is neither yes nor no.`);
	const found = Object.entries(read).find(([, words]) => words.test(cell));
	return found ? ok(found[0]) : problem([], `“${cell}” is none of ${Object.keys(read).join(", ")}.`);
}

/** "3600", "3600 W", "3,6 kW". */
function readWatts(cell: string): Result<number> {
	const match = /^(\d+(?:[.,]\d+)?)\s*(k?)w?$/i.exec(cell.trim());
	if (!match?.[1]) return problem([], `“${cell}” is not a power. Write it like 3600 or 3.6 kW.`);
	return ok(Math.round(Number(match[1].replace(",", ".")) * (match[2] ? 1000 : 1)));
}
