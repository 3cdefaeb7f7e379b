/** More different things than these are not kept at once. */
const MOST = 200;

export interface Shared<T, A extends unknown[]> {
	(key: string, ...more: A): Promise<T>;
	/** What it rests on has changed: everything is made anew. */
	forget(): void;
}

/**
 * One answer for everybody who looks at the same thing at about the same time: it is made once, and given for `ms` from when it was
 * asked for. What fails is not kept.
 */
export function sharedLook<T, A extends unknown[]>(
	ms: number,
	make: (key: string, ...more: A) => Promise<T>,
	now: () => number = () => performance.now(),
): Shared<T, A> {
	const kept = new Map<string, { atMs: number; answer: Promise<T> }>();
	const look = (key: string, ...more: A) => {
		const known = kept.get(key);
		if (known && now() - known.atMs < ms) return known.answer;
		const answer = make(key, ...more);
		const entry = { atMs: now(), answer };
		kept.delete(key);
		kept.set(key, entry);
		const [oldest] = kept.keys();
		if (kept.size > MOST && oldest !== undefined) kept.delete(oldest);
		answer.catch(() => kept.get(key) === entry && kept.delete(key));
		return answer;
	};
	return Object.assign(look, { forget: () => kept.clear() });
}
