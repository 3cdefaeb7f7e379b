import { readFile, writeFile } from "node:fs/promises";
import { cpus } from "node:os";
import { FAMILY_90 } from "@core/glass/family";
import { PLAIN_SHEET } from "@core/glass/glass";
import { arranged, ringRadiusMm } from "@core/kit/arrange";
import { emptyKit, type KitDesign, type KitPart } from "@core/kit/kit";
import { readKit } from "@core/stack/read-kit";
import { stackOf } from "@core/stack/stack";
import { surveyOf } from "@core/stack/survey";
import { cutRows, exactRow, largeRow, mendRow, packerRows, provedRow } from "./benchmark-cut";
import { recordRows, simulationRows } from "./benchmark-fire";
import { dragRow, packingRows, planRows, quarterRows, shelfPackerRows, shelfRows } from "./benchmark-load";
import { stationRows } from "./benchmark-stations";

/** How long a kit's reading, a simulated firing and a kiln's record take; writes docs/benchmarks.md. */

const book = {
	glasses: new Map([["clear", { ...PLAIN_SHEET, id: "clear", name: "clear", familyId: "90" }]]),
	families: new Map([["90", FAMILY_90]]),
};
let made = 0;
const newId = () => `b${++made}`;
const sheet = (widthMm: number, heightMm: number, layer: number, xMm = 0, yMm = 0): KitPart => ({
	id: newId(),
	name: "part",
	kind: "sheet",
	shape: { kind: "rectangle", widthMm, heightMm },
	glassId: "clear",
	faceDown: false,
	layer,
	firing: 0,
	xMm,
	yMm,
	turnDeg: 0,
});
const kit = (parts: KitPart[]): KitDesign => ({ ...emptyKit("benchmark"), parts });

/** Tiles with gaps on one base: a mosaic. */
function tiles(count: number): KitDesign {
	const columns = Math.ceil(Math.sqrt(count));
	const side = columns * 12 + 10;
	const grid = Array.from({ length: count - 1 }, (_, i) =>
		sheet(10, 10, 1, (i % columns) * 12 - side / 2 + 11, Math.floor(i / columns) * 12 - side / 2 + 11),
	);
	return kit([sheet(side, side, 0), ...grid]);
}

/** Rings of shingles, each bridging the gaps of the one below. */
function shingles(count: number): KitDesign {
	const rings = Math.max(2, Math.round(count / 24));
	const each = Math.round(count / rings);
	const parts = Array.from({ length: rings }, (_, i) =>
		arranged(
			[sheet(22, 34, i)],
			{
				kind: "ring",
				count: each,
				middle: { x: 0, y: 0 },
				layersUp: 0,
				radiusMm: ringRadiusMm(each, 22, 0) + 17 + Math.floor(i / 2) * 20,
				fromDeg: (i % 2) * (180 / each),
			},
			newId,
		),
	);
	return kit(parts.flat());
}

/** Two rails with rungs across, again and again: openwork without a base. */
function openwork(count: number): KitDesign {
	const ladders = Math.max(1, Math.round(count / 25));
	const rungs = Math.floor(count / ladders) - 2;
	const ladder = (i: number) => [
		sheet(rungs * 14, 8, 0, 0, i * 60 - 20),
		sheet(rungs * 14, 8, 0, 0, i * 60 + 20),
		...Array.from({ length: rungs }, (_, k) => sheet(8, 56, 1, (k - rungs / 2 + 0.5) * 14, i * 60)),
	];
	return kit(Array.from({ length: ladders }, (_, i) => ladder(i)).flat());
}

/** Bars woven across bars: every one lies on every other, the hardest there is. */
function lattice(count: number): KitDesign {
	const half = Math.floor(count / 2);
	const length = half * 14;
	const bars = (layer: number) =>
		Array.from({ length: half }, (_, i) => {
			const at = i * 14 - length / 2 + 7;
			return layer === 0 ? sheet(length, 8, 0, 0, at) : sheet(8, length, 1, at, 0);
		});
	return kit([...bars(0), ...bars(1)]);
}

const KINDS = { "tiles on a base": tiles, "rings of shingles": shingles, "openwork of bars": openwork };
/** A lattice of n bars has n²/4 crossings: one size says enough. */
const LATTICE = 50;
const SIZES = [10, 50, 150, 500];

function best(of: number, run: () => unknown): number {
	let least = Number.POSITIVE_INFINITY;
	for (let i = 0; i < of; i++) {
		const from = performance.now();
		run();
		least = Math.min(least, performance.now() - from);
	}
	return least;
}

const cases = [
	...Object.entries(KINDS).flatMap(([name, make]) => SIZES.map((size) => ({ name, design: make(size) }))),
	{ name: "woven lattice, 625 crossings", design: lattice(LATTICE) },
];
const rows = cases.map(({ name, design }) => {
	const size = design.parts.length;
	const runs = size > 200 ? 3 : 7;
	const reading = best(runs, () => readKit(design, book));
	const survey = best(runs, () => surveyOf(stackOf(design, book)));
	console.log(
		`${name.padEnd(20)} ${String(design.parts.length).padStart(4)} parts  ${reading.toFixed(1)} ms  ${survey.toFixed(1)} ms`,
	);
	return `| ${name} | ${design.parts.length} | ${reading.toFixed(1)} | ${survey.toFixed(1)} |`;
});

const simulations = await simulationRows();
const records = await recordRows();
const stations = await stationRows();
const shelves = shelfRows();
const plans = planRows();
const quarters = quarterRows();
const [shelfPackers, drag, packings] = [shelfPackerRows(), dragRow(), packingRows()];
const [cuts, large, packers, mend] = [cutRows(), largeRow(), packerRows(), mendRow()];
const [exact, proved] = [await exactRow(), await provedRow()];
for (const line of [
	...simulations,
	...records,
	...stations,
	...cuts,
	large,
	...shelves,
	...plans,
	...quarters,
	...shelfPackers,
	...packings,
	drag,
	...packers,
	exact,
	proved,
	mend,
])
	console.log(line);

/** What follows this heading was measured in a browser, by `npm run benchmark:frames`, and is written by hand. */
const BY_HAND = "## In the browser";

if (process.argv.includes("--write")) {
	const [, byHand = ""] = (await readFile("docs/benchmarks.md", "utf8")).split(BY_HAND);
	await writeFile(
		"docs/benchmarks.md",
		`# Benchmarks

Made by \`npm run benchmark\` on Node.js ${process.versions.node}, ${cpus().length} cores. Best of several runs, one core.

## Reading a kit

*Reading*: thickness, contacts, outlines after firing, every finding. *Survey*: the same with the schedules of the route and
what the kit bench draws. On the bench both run in a worker, off the page's own thread. Meant to stay under 100 ms at 150 parts.

| kit | parts | reading, ms | survey, ms |
|---|---|---|---|
${rows.join("\n")}

Before a piece had one body for each firing, and since, in one run on a busy machine (2026-12-02, the better of two): the reading
that makes all of them is no slower.

| kit | parts | before, ms | since, ms |
|---|---|---|---|
| tiles on a base | 150 | 57.8 | 31.5 |
| tiles on a base | 500 | 259.9 | 140.8 |
| rings of shingles | 150 | 163.9 | 131.6 |
| rings of shingles | 504 | 1245.6 | 873.9 |
| openwork of bars | 150 | 156.5 | 173.1 |
| openwork of bars | 500 | 644.9 | 665.3 |
| woven lattice, 625 crossings | 50 | 405.8 | 448.0 |

## A firing simulated

From cold until it may be opened, in steps of 10 s, with 21 nodes through the glass. On pages it runs in a worker, also while a
point is dragged. Meant to stay under 50 ms for 24 h.

| glass | hours simulated | ms | ms for 24 h |
|---|---|---|---|
${simulations.join("\n")}

## A kiln's record

Four million readings of one kiln, 10 s apart, on PostgreSQL; the query that draws them, thinned to what a screen shows. Meant to
stay under 300 ms.

| days | readings in them | drawn | ms |
|---|---|---|---|
${records.join("\n")}

## Cutting plans

Twelve invented classes of five glasses, sheets of 500 × 430 mm, scored edge to edge. *At least*: the bound that stands beside a plan
(Gilmore and Gomory 1965, by column generation; never below area over area). *Yield*: parts over the glass used up, rests of 40 × 40 mm and more
kept. In the application 200 passes a glass run in a worker, up to 600 where there might be a plan with a sheet less, every second of them with
whole strips out of the bound's parts of sheets; the first plan is shown at once.

| passes a glass | sheets | at least | yield, % | scores a class | ms a class |
|---|---|---|---|---|---|
${cuts.join("\n")}

${proved}

Classes of fourteen kits of sixty parts, twelve of them, as the product searches:

| parts a class | sheets | at least | yield, % | ms a class | slowest class, ms |
|---|---|---|---|---|---|
${large}

The same parts by two packing packages of the registry:

| packer | sheets |
|---|---|
${packers.join("\n")}

Small lists on sheets of 130 × 105 mm, three parts each: few parts to a sheet, the hardest case for strips that are laid one after
another. The optimum and the bound of Gilmore and Gomory by a solver (HiGHS) over every way to fill a sheet, all rounded up and added up.

| lists | our bound | Gilmore and Gomory | optimum | ours | lists with one sheet more |
|---|---|---|---|---|---|
${exact}

After something broke the rest of a glass is laid anew in 12 passes. ${mend}

## Full shelves

Sixty pieces waiting, six class sets of ten, over eight studios, no clearance; glass on the shelf. _Boxes_: one order, on a round or
eight-sided shelf within its largest square. _First_: usual orders of the true outlines. _Best_: after 60 orders more.

| shelf | pieces | boxes, % | first, % | ms | best, % | ms |
|---|---|---|---|---|---|---|
${shelves.join("\n")}

The same class sets on 500 × 400 mm beside two packing libraries:

| packer | glass, % |
|---|---|
${shelfPackers.join("\n")}

One packing of sixty pieces, 5 mm between them; a proposal tries some dozens. *Cold*: with the first of its outlines to be rastered.

| packing | cold, ms | warm, ms |
|---|---|---|
${packings.join("\n")}

A piece held over a shelf: every rule asked at each place, five thousand times.

| pieces there | median, µs | 99 in 100, µs | worst, µs |
|---|---|---|---|
${drag}

## Plans over kilns and days

Three kilns, 14 days, made-up studios of classes and single pieces; mean of three, one run each: the first plan of the first row is
from a cold start. Costs by each plan's own weights. _At least_: what no plan of the same pieces does with less (glass over the largest kiln; pieces late even alone).

| pieces waiting | plan | first, ms | all, ms | first cost | last cost | firings | at least | promises broken | at least | left out |
|---|---|---|---|---|---|---|---|---|---|---|
${plans.join("\n")}

## A quarter of a studio

Thirteen weeks, two kilns, nobody there on Sundays: classes bring pieces in the evening, one firing in seven starts up to four hours
late, three pieces in a hundred go in again. _By hand_ is what was done before: the tray that was promised first into the next free
kiln, boxes in the largest rectangle of its shelf, started where it is half full or something presses. _Planned_: a new plan every
morning, its loads started at their hours. Mean of two made-up studios, 24 and 34 pieces a week.

| pieces a week | way | promises kept, % | hand-in to home, days | firings | kWh | annealed beyond need, h |
|---|---|---|---|---|---|---|
${quarters.join("\n")}

## A station after ten years

60,000 pieces, 480,000 events and 4 million readings beside the demo. Every view with all its questions, on the server, through one
pool of connections. Meant to stay under 50 ms; that no question reads a growing table whole is a test
(tests/database/ten-years.test.ts).

| view | questions | median, ms | slowest, ms |
|---|---|---|---|
${stations.join("\n")}

${BY_HAND}${byHand}`,
	);
}
