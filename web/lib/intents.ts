import { useMemo } from "react";

/**
 * Ids of what is about to be added. The same intention, that is the same input apart from its ids, gets the same ids until the
 * server has answered: a second press after a lost answer is then the same event, and counts once.
 */
export class Intents<I> {
	private readonly known = new Map<string, string[]>();
	private readonly sent = new Map<string, string>();

	constructor(private readonly mint: () => string = () => crypto.randomUUID()) {}

	/** The input with its ids; `build` asks for them one after another and is otherwise pure. */
	withIds(build: (id: () => string) => I): I {
		const intention = JSON.stringify(build(() => ""));
		const ids = this.known.get(intention) ?? [];
		this.known.set(intention, ids);
		let next = 0;
		const input = build(() => {
			ids[next] ??= this.mint();
			return ids[next++] as string;
		});
		this.sent.set(JSON.stringify(input), intention);
		return input;
	}

	/** It was answered, yes or no: the same input would be meant anew. */
	answered(input: I): void {
		const text = JSON.stringify(input);
		const intention = this.sent.get(text);
		if (intention === undefined) return;
		this.known.delete(intention);
		this.sent.delete(text);
	}
}

export const useIntents = <I>(): Intents<I> => useMemo(() => new Intents<I>(), []);
