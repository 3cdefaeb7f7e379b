import { isAway } from "../house/away";

/** What the book does not answer within this it does not answer, ms. */
const PATIENCE_MS = 4000;
/** It is asked again after this, ms: asking a book that is away takes longer than a kiln may wait. */
const REST_MS = 2000;

/**
 * A book that may be away: once it was not reached nothing asks it for a while, so that kilns are heard in their own time. What is still
 * under way then may come to its end unheard; asking twice must do no harm.
 */
export class Reachable {
	private restUntilMs = Number.NEGATIVE_INFINITY;

	get isAway(): boolean {
		return performance.now() < this.restUntilMs;
	}

	async ask<T>(question: () => Promise<T>): Promise<T> {
		if (this.isAway) throw new Error("the book is away");
		let late: NodeJS.Timeout | undefined;
		try {
			return await Promise.race([
				question(),
				new Promise<never>((_, fail) => {
					late = setTimeout(() => fail(new Error("the book does not answer")), PATIENCE_MS);
				}),
			]);
		} catch (error) {
			if (isOutOfReach(error)) this.restUntilMs = performance.now() + REST_MS;
			throw error;
		} finally {
			clearTimeout(late);
		}
	}
}

const isOutOfReach = (error: unknown): boolean =>
	isAway(error) || (error instanceof Error && error.message === "the book does not answer");
