/**
 * The colour a body glows in at a temperature, for a screen: the kiln strip's only colour.
 * One rule: Planck's law at three wavelengths of the sRGB primaries (612, 549, 465 nm), each over the value it has at
 * 1000 °C, raised to a small power so that a dull red is still seen (tone mapping), dark below 500 °C.
 * Source: Planck's law; the wavelengths are the dominant ones of the sRGB primaries, IEC 61966-2-1.
 */
const SECOND_RADIATION_M_K = 1.438777e-2; // CODATA
const PRIMARIES_M = [612e-9, 549e-9, 465e-9] as const;
const WHITE_K = 1273.15;
const DARK_BELOW_C = 500;
const POWER = 0.16;
/** Share of the red primary's brightness that the green and blue ones may reach: a kiln is never white. */
const SHARE = [1, 0.62, 0.28] as const;

/** [red, green, blue] 0–255; undefined where the body gives no light to see. */
export function glowOf(c: number): [number, number, number] | undefined {
	if (c < DARK_BELOW_C) return undefined;
	const kelvin = c + 273.15;
	return PRIMARIES_M.map((wavelength, i) => {
		const relative = Math.exp((SECOND_RADIATION_M_K / wavelength) * (1 / WHITE_K - 1 / kelvin));
		return Math.round(255 * (SHARE[i] as number) * Math.min(1, relative ** (POWER * (1 + i * 0.35))));
	}) as [number, number, number];
}

export const glowHex = (c: number): string | undefined =>
	glowOf(c)
		?.map((channel) => channel.toString(16).padStart(2, "0"))
		.reduce((hex, channel) => hex + channel, "#");
