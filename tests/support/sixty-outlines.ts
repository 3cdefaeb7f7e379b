import { type CutShape, regionOfShape } from "@core/geometry/shape";
import { simpler } from "@core/geometry/simpler";
import { formOf } from "@core/loading/outlines/form";
import { seededRandom } from "@core/seeded-random";

const polar = (corners: number, radius: (i: number) => number): CutShape => ({
	kind: "outline",
	points: Array.from({ length: corners }, (_, i) => {
		const a = (2 * Math.PI * i) / corners;
		return { x: radius(i) * Math.cos(a), y: radius(i) * Math.sin(a) };
	}),
});

/** Sixty pieces of which no two are alike, of the kinds a studio fires: rounds, lobed rims, stars, strips and boxes. Invented, the same for a seed. */
export function sixtyOutlines(seed: number) {
	const random = seededRandom(seed);
	const between = (least: number, most: number) => least + (most - least) * random();
	const lobed = (): CutShape => {
		const [lobes, mm] = [4 + Math.floor(random() * 4), between(25, 50)];
		return polar(72, (i) => mm * (1 + 0.18 * Math.cos((lobes * 2 * Math.PI * i) / 72)));
	};
	const star = (): CutShape => {
		const [tips, mm] = [5 + Math.floor(random() * 4), between(30, 60)];
		return polar(2 * tips, (i) => (i % 2 ? mm / 2 : mm));
	};
	const box = (wide: [number, number], high: [number, number]): CutShape => ({
		...{ kind: "rectangle", widthMm: between(...wide), heightMm: between(...high) },
	});
	const kinds: readonly (() => CutShape)[] = [
		() => ({ kind: "circle", diameterMm: between(40, 110) }),
		lobed,
		star,
		() => box([90, 200], [15, 40]),
		() => box([40, 110], [40, 110]),
	];
	return Array.from({ length: 60 }, (_, i) => {
		const shape = (kinds[i % kinds.length] as () => CutShape)();
		return { id: String(i), form: formOf(simpler(regionOfShape(shape)[0] ?? [])), rank: 0 };
	});
}
