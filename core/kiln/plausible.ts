/** What a kiln's line says at one instant; each field null where it says nothing. °C, share of full power 0–1, kWh, s. */
export interface LineFigures {
	airC: number | null;
	setC: number | null;
	duty: number | null;
	kwh: number | null;
	/** Counted from 0. */
	segment: number | null;
	elapsedS: number | null;
}

/** Beyond these no controller of a glass kiln measures: the line is at fault. Common practice, no source. */
const RANGES: Record<keyof LineFigures, [number, number]> = {
	airC: [-50, 1500],
	setC: [-50, 1500],
	duty: [0, 1],
	kwh: [0, 1_000_000],
	segment: [0, 99],
	elapsedS: [0, 60 * 86_400],
};
export const FIGURES = Object.keys(RANGES) as (keyof LineFigures)[];

/** Whether a figure can be what it says it is: finite and within what kilns do; a segment is whole. */
export function isPlausible(name: keyof LineFigures, value: number): boolean {
	const [least, most] = RANGES[name];
	return Number.isFinite(value) && value >= least && value <= most && (name !== "segment" || Number.isInteger(value));
}

/** The figures with null for each that cannot be true. One bad field takes no other with it. */
export function plausible<T extends LineFigures>(said: T): T {
	const checked = { ...said };
	for (const name of FIGURES) {
		const value = said[name];
		if (value !== null && !isPlausible(name, value)) checked[name] = null;
	}
	return checked;
}
