/** Something that covers: so many of each thing that is wanted. */
export interface Cover<T> {
	what: T;
	holds: readonly number[];
}

export interface Covering<T> {
	/** How often each is taken, fractions allowed. */
	taken: { cover: Cover<T>; times: number }[];
	/** No covering takes fewer, fractions allowed or not. */
	least: number;
}

const EPS = 1e-9;
/** More turns than any list has needed; the bound holds wherever it stops. */
const MOST_TURNS = 400;

/**
 * The fewest covers for what is wanted, parts of covers allowed: a linear program whose columns are made as they are needed (column
 * generation, Gilmore and Gomory 1961; revised simplex). What all is worth over what the dearest cover holds is a bound at every
 * turn (Farley 1990).
 * @param wanted more than 0 of each thing
 * @param first one cover for each thing, that holds some of it and nothing else
 * @param dear covers that hold much at these worths, among them the one that holds the most
 * @param enough it looks no further once it knows that fewer than this will not do
 */
export function coverWanted<T>(
	wanted: readonly number[],
	first: readonly Cover<T>[],
	dear: (worth: readonly number[]) => readonly Cover<T>[],
	enough = Number.POSITIVE_INFINITY,
): Covering<T> {
	// A row of the basis is a cover, or nothing where something is held beyond what is wanted.
	const basis: (Cover<T> | undefined)[] = [...first];
	const inverse = first.map(({ holds }, r) => wanted.map((_, c) => (r === c ? 1 / (holds[r] as number) : 0)));
	const times = first.map(({ holds }, r) => (wanted[r] as number) / (holds[r] as number));
	const made: Cover<T>[] = [];
	let least = 0;
	for (let turn = 0; turn < MOST_TURNS; turn++) {
		const worth = wanted.map((_, c) => basis.reduce((sum, one, r) => sum + (one ? at(inverse, r, c) : 0), 0));
		const spare = worth.findIndex((one) => one < -EPS);
		let entering: Cover<T> | undefined;
		if (spare < 0) {
			const known = dearestOf(made, worth);
			if (known && known.value > 1 + EPS) entering = known.cover;
			else {
				const fresh = dear(worth);
				made.push(...fresh);
				const best = dearestOf(fresh, worth);
				const value = best?.value ?? 0;
				least = Math.max(least, dot(wanted, worth) / Math.max(1, value));
				if (!best || value <= 1 + EPS || least > enough - 1 + EPS) break;
				entering = best.cover;
			}
		}
		const column = entering?.holds ?? wanted.map((_, i) => (i === spare ? -1 : 0));
		const along = inverse.map((row) => dot(row, column));
		const out = tightest(times, along);
		if (out < 0) break;
		pivot(inverse, times, along, out);
		basis[out] = entering;
	}
	const taken = basis.flatMap((cover, r) =>
		cover && (times[r] as number) > EPS ? [{ cover, times: times[r] as number }] : [],
	);
	return { taken, least };
}

const at = (rows: readonly (readonly number[])[], r: number, c: number): number => rows[r]?.[c] ?? 0;
const dot = (a: readonly number[], b: readonly number[]): number =>
	a.reduce((sum, one, i) => sum + one * (b[i] as number), 0);

function dearestOf<T>(covers: readonly Cover<T>[], worth: readonly number[]) {
	let best: { cover: Cover<T>; value: number } | undefined;
	for (const cover of covers) {
		const value = dot(cover.holds, worth);
		if (!best || value > best.value) best = { cover, value };
	}
	return best;
}

/** The row that runs out first as the column comes in; -1 where none does. */
function tightest(times: readonly number[], along: readonly number[]): number {
	let out = -1;
	let least = Number.POSITIVE_INFINITY;
	for (const [r, one] of along.entries()) {
		if (one <= EPS || (times[r] as number) / one >= least - EPS) continue;
		least = (times[r] as number) / one;
		out = r;
	}
	return out;
}

/** One column into the basis, another out. */
function pivot(inverse: number[][], times: number[], along: readonly number[], out: number): void {
	const by = along[out] as number;
	const row = (inverse[out] as number[]).map((one) => one / by);
	const amount = (times[out] as number) / by;
	for (const [r, one] of along.entries()) {
		if (r === out) continue;
		inverse[r] = (inverse[r] as number[]).map((old, i) => old - one * (row[i] as number));
		times[r] = Math.max(0, (times[r] as number) - one * amount);
	}
	inverse[out] = row;
	times[out] = amount;
}
