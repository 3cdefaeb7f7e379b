import type { QueryClient, QueryKey } from "@tanstack/react-query";

/** An answer is dropped for a newer one only while what is shown is no older than this, ms: something always gets through. */
const STARVING_MS = 3000;

/**
 * Keeps one view current. However fast changes come and however slow the network is, a question under way is left to end,
 * and is then asked once more: aborting it for every change would let none get through. Only after something this page did
 * itself is a question from before dropped, so that the state before does not come back for a moment.
 */
export class KeepCurrent {
	private again = false;

	constructor(
		private readonly queries: QueryClient,
		private readonly key: QueryKey,
		private readonly now: () => number = Date.now,
	) {}

	/** Something changed elsewhere. */
	heard(): void {
		if (this.isAsking()) this.again = true;
		else this.ask(false);
	}

	/** This page changed something: an answer from before is not wanted any more. */
	did(): void {
		const shownAt = this.queries.getQueryState(this.key)?.dataUpdatedAt ?? 0;
		const starving = this.now() - shownAt > STARVING_MS;
		if (this.isAsking() && starving) this.again = true;
		else this.ask(true);
	}

	private ask(dropOlder: boolean): void {
		this.again = false;
		void this.queries
			.refetchQueries({ queryKey: this.key, exact: true, type: "active" }, { cancelRefetch: dropOlder })
			.finally(() => this.ended());
	}

	/** A question has ended: the one more that is owed is asked. */
	ended(): void {
		if (this.again && !this.isAsking()) this.ask(false);
	}

	private isAsking(): boolean {
		return this.queries.getQueryState(this.key)?.fetchStatus === "fetching";
	}
}
