import type { Segment } from "./schedule";

/**
 * Segments with the names of what they are for, read off their shape: up to the hottest, the hottest, the first hold or
 * fall after it, and the way down in up to three parts. Segments made by hand have no names of their own.
 */
export function nameSegments(segments: readonly (Omit<Segment, "name"> & { name?: string })[]): Segment[] {
	const hottest = Math.max(...segments.map(({ targetC }) => targetC));
	const peak = segments.findLastIndex(({ targetC }) => targetC === hottest);
	const soak = segments.findIndex(({ holdMin }, i) => i > peak && holdMin > 0);
	const drop = soak < 0 ? peak + 1 : soak;
	const last = segments.length - 1;
	return segments.map((segment, i) => {
		if (i < peak) return { ...segment, name: "up" };
		if (i === peak) return { ...segment, name: "peak" };
		if (i <= drop) return { ...segment, name: "drop" };
		if (i === last && i > drop + 1) return { ...segment, name: "down3" };
		return { ...segment, name: i === drop + 1 ? "down1" : "down2" };
	});
}
