import { boundsOf } from "@core/geometry/bounds";
import { areaMm2, type Point, type Ring, thinned, unite } from "@core/geometry/region";
import { centred } from "@core/geometry/shape";
import { isSimple } from "@core/geometry/simple";
import { LARGEST_KIT } from "@core/kit/kit";
import { ok, problem, type Result } from "@core/result";
import { counted } from "@core/units/counted";
import { type Phrase, say } from "@core/units/phrase";
import { tidyMm } from "@core/units/tidy";

/** Free outlines read from a drawing, mm, each with the middle of its box at the origin, and what was done to them. */
export interface OutlinesRead {
	outlines: { points: Point[]; widthMm: number; heightMm: number }[];
	notes: Phrase[];
}

export const LARGEST_DRAWING_BYTES = 2 * 1024 * 1024;
const MOST_OUTLINES = 60;
const LEAST_AREA_MM2 = 1;
/** Curves are drawn as chords this near, and points nearer than this to the line are left out, mm. */
export const NEAR_MM = 0.05;

/**
 * Makes sound outlines of raw closed rings (mm, y up): drops what is not finite, takes crossings apart, thins points out,
 * and refuses what cannot be glass on this bench.
 */
export function soundOutlines(raw: readonly Ring[], notes: readonly Phrase[]): Result<OutlinesRead> {
	const said = [...notes];
	const finite = raw.filter((ring) => ring.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)));
	if (finite.length < raw.length)
		said.push([`${counted(raw.length - finite.length, "outline")} with figures that are no numbers left out.`]);
	const tooFar = finite.some((ring) => ring.some(({ x, y }) => Math.max(Math.abs(x), Math.abs(y)) > 1e6));
	if (tooFar) return problem([], "The drawing reaches more than a kilometre: check its unit.");
	let crossed = 0;
	const sound = finite.flatMap((ring) => {
		if (ring.length < 3) return [];
		if (ring.length <= 2000 && isSimple(ring)) return [ring];
		crossed++;
		return unite([[ring]]).filter((part) => areaMm2([part]) > 0);
	});
	if (crossed > 0)
		said.push([
			`${counted(crossed, "outline that crosses itself", "outlines that cross themselves")}: taken apart at the crossings.`,
		]);
	const large = sound.filter((ring) => Math.abs(areaMm2([ring])) >= LEAST_AREA_MM2);
	if (large.length < sound.length)
		said.push(say`${counted(sound.length - large.length, "outline")} under ${{ mm2: LEAST_AREA_MM2 }} left out.`);
	if (large.length === 0) return problem([], "No closed outline was found in this drawing.");
	if (large.length > MOST_OUTLINES)
		return problem([], `The drawing has ${large.length} outlines; at most ${MOST_OUTLINES} are taken at once.`);
	const widest = Math.max(...large.map((ring) => Math.max(boundsOf([ring]).widthMm, boundsOf([ring]).heightMm)));
	if (widest > LARGEST_KIT.sideMm)
		return problem(
			[],
			say`The largest outline is ${{ mm: widest }} across; a kit has at most ${{ mm: LARGEST_KIT.sideMm }}. Check the drawing’s unit.`,
		);
	return ok({ outlines: large.map(asOutline), notes: said });
}

function asOutline(ring: Ring): OutlinesRead["outlines"][number] {
	const few = fewEnough(ring);
	const points = centred(areaMm2([few]) < 0 ? [...few].reverse() : few).map(({ x, y }) => ({
		x: tidyMm(x),
		y: tidyMm(y),
	}));
	const { widthMm, heightMm } = boundsOf([points]);
	return { points, widthMm, heightMm };
}

function fewEnough(ring: Ring): Ring {
	let near = NEAR_MM;
	let few = thinned(ring, near);
	while (few.length > LARGEST_KIT.points) {
		near *= 2;
		few = thinned(ring, near);
	}
	return few;
}
