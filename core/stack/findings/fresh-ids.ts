import type { Lain } from "../lay";

/** An id no part of the kit has. */
export const freshId = (lain: readonly Pick<Lain, "id">[], word: string): string => freshIds(lain, word)();

/** Ids no part of the kit has, one after another. */
export function freshIds(lain: readonly Pick<Lain, "id">[], word: string): () => string {
	const taken = new Set(lain.map(({ id }) => id));
	let i = 0;
	return () => {
		do i++;
		while (taken.has(`${word}-${i}`));
		return `${word}-${i}`;
	};
}
