import { bestPacking } from "@core/loading/best-packing";
import { type Box, packShelf } from "@core/loading/pack";
import { type Shelf, usableMm2 } from "@core/loading/shelf";
import { classPieces } from "../tests/support/class-pieces";

/** How full a shelf becomes with sixty pieces waiting, six class sets of ten: invented, always the same. */

const STUDIOS = 12;
const SHELVES: readonly [string, Shelf][] = [
	["500 × 400", { widthMm: 500, heightMm: 400, marginMm: 0, shape: "rectangle" }],
	["round, Ø 430", { widthMm: 430, heightMm: 430, marginMm: 0, shape: "round" }],
	["octagon, 430", { widthMm: 430, heightMm: 430, marginMm: 0, shape: "octagon" }],
];

const covered = (places: readonly Box[]): number =>
	places.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);

/** Share of each shelf that boxes cover: in one order within its largest rectangle, and in the best of several orders within its outline. */
export const shelfRows = (): string[] =>
	SHELVES.map(([name, shelf]) => {
		let [one, best, ms] = [0, 0, 0];
		const side = shelf.widthMm * Math.SQRT1_2;
		const within: Shelf =
			shelf.shape === "rectangle" ? shelf : { widthMm: side, heightMm: side, marginMm: 0, shape: "rectangle" };
		for (let seed = 1; seed <= STUDIOS; seed++) {
			const pieces = classPieces(seed);
			one += covered(packShelf(pieces, within, 0).places);
			const from = performance.now();
			best += covered(bestPacking(pieces, shelf, 0, () => 0).places);
			ms += performance.now() - from;
		}
		const share = (mm2: number) => ((100 * mm2) / STUDIOS / usableMm2(shelf)).toFixed(0);
		return `| ${name} | ${share(one)} | ${share(best)} | ${(ms / STUDIOS).toFixed(0)} |`;
	});
