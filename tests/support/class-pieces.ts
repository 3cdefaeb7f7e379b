import type { Box } from "@core/loading/pack";

/** Sixty pieces that wait: six class sets of ten, invented, the same for a seed (linear generator of Numerical Recipes). */
export function classPieces(seed: number): Box[] {
	let state = seed;
	const next = () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
		return state / 2 ** 32;
	};
	return Array.from({ length: 6 }, (_, kind) => {
		const [widthMm, heightMm] = [50 + Math.round(next() * 90), 50 + Math.round(next() * 90)];
		return Array.from({ length: 10 }, (__, i): Box => ({ id: `${kind} ${i}`, widthMm, heightMm }));
	}).flat();
}
