import { TOPICS, type Topic } from "@contract/topics";
import { LRUCache } from "lru-cache";

/** An answer, and the same as JSON: written once, sent to many. */
export interface Answer<T = unknown> {
	value: T;
	text: string;
}

/** What an answer was made of. */
export interface Made<T = unknown> {
	value: T;
	/** It looked at the clock: it grows old though nothing changes. */
	byTheClock: boolean;
}

/** All answers together, characters of JSON. */
const MOST_CHARACTERS = 48_000_000;
/** What looked at the clock is given for so long, ms: what a person takes to look up. */
const BY_THE_CLOCK_MS = 10_000;

interface Entry {
	topics: readonly Topic[];
	answer: Promise<Answer>;
}

/**
 * Answers that are given again until something of what they show changes. Whoever asks while one is being made gets that one; one that
 * was begun before a change is not given to anybody who asks after it. What fails is not kept.
 */
export class KeptAnswers {
	private readonly underWay = new Map<string, Entry>();
	private readonly kept = new LRUCache<string, Answer & { topics: readonly Topic[] }>({
		maxSize: MOST_CHARACTERS,
		sizeCalculation: ({ text }) => text.length + 1,
		ttlResolution: 0,
		perf: { now: () => performance.now() },
	});

	/**
	 * @param key what is asked, and by whom where that makes a difference
	 * @param topics what it shows
	 */
	get<T>(key: string, topics: readonly Topic[], make: () => Promise<Made<T>>): Promise<Answer<T>> {
		const kept = this.kept.get(key) as Answer<T> | undefined;
		if (kept) return Promise.resolve(kept);
		const asked = this.underWay.get(key);
		if (asked) return asked.answer as Promise<Answer<T>>;
		const entry: Entry = { topics, answer: this.make(key, topics, make, () => this.underWay.get(key) === entry) };
		this.underWay.set(key, entry);
		return entry.answer as Promise<Answer<T>>;
	}

	private async make<T>(
		key: string,
		topics: readonly Topic[],
		make: () => Promise<Made<T>>,
		isCurrent: () => boolean,
	): Promise<Answer<T>> {
		// The entry is written down before anything is made.
		await Promise.resolve();
		try {
			const { value, byTheClock } = await make();
			const answer = { value, text: JSON.stringify(value), topics };
			if (isCurrent()) this.kept.set(key, answer, byTheClock ? { ttl: BY_THE_CLOCK_MS } : {});
			return answer;
		} finally {
			if (isCurrent()) this.underWay.delete(key);
		}
	}

	/** Forgets what shows something of these; the studio's own settings are in everything. */
	changed(topics: readonly Topic[] = TOPICS): void {
		const concerns = ({ topics: shown }: { topics: readonly Topic[] }) =>
			topics.includes("studio") || shown.some((one) => topics.includes(one));
		for (const [key, entry] of this.underWay) if (concerns(entry)) this.underWay.delete(key);
		for (const [key, entry] of this.kept.entries()) if (concerns(entry)) this.kept.delete(key);
	}
}
