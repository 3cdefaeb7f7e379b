/** A colour by lightness (0–1), green to red, blue to yellow: equal distances look about equally different. */
export interface Oklab {
	l: number;
	a: number;
	b: number;
}

/**
 * OKLab of an sRGB colour #rrggbb.
 * Source: B. Ottosson, *A perceptual color space for image processing* (2020); also CSS Color Module Level 4.
 */
export function oklabOf(hex: string): Oklab {
	const [r = 0, g = 0, b = 0] = [1, 3, 5].map((from) => linear(Number.parseInt(hex.slice(from, from + 2), 16) / 255));
	const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
	const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
	const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
	return {
		l: 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
		a: 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
		b: 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
	};
}

/** Difference of two colours; about 0.02 is just seen. */
export function colourDifference(one: string, other: string): number {
	const [p, q] = [oklabOf(one), oklabOf(other)];
	return Math.hypot(p.l - q.l, p.a - q.a, p.b - q.b);
}

/** IEC 61966-2-1: the light of an sRGB value. */
const linear = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
