/** A point of a temperature curve: seconds since the start, °C. Curves are straight between points, times never fall. */
export interface CurvePoint {
	s: number;
	c: number;
}
export type Curve = readonly CurvePoint[];

/** Temperature (°C) at `s` seconds; the ends are held. An empty curve gives NaN. */
export function temperatureOf(curve: Curve, s: number): number {
	const first = curve[0];
	const last = curve[curve.length - 1];
	if (!first || !last) return Number.NaN;
	if (s <= first.s) return first.c;
	if (s >= last.s) return last.c;
	let low = 0;
	let high = curve.length - 1;
	while (high - low > 1) {
		const middle = (low + high) >> 1;
		if ((curve[middle] as CurvePoint).s <= s) low = middle;
		else high = middle;
	}
	const a = curve[low] as CurvePoint;
	const b = curve[high] as CurvePoint;
	return b.s === a.s ? b.c : a.c + ((b.c - a.c) * (s - a.s)) / (b.s - a.s);
}
