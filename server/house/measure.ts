import { type Bucket, spend } from "./bucket";
import { Refusal } from "./refusal";

/** An image is made anew from its pixels, which takes as long as many other actions. */
export const IMAGE_COST = 10;
const MOST_PEOPLE = 1000;

const buckets = new Map<string, Bucket>();

/** That somebody does not do more than people can, or a refusal; each copy of the server counts for itself. */
export function countAction(person: string, cost = 1): void {
	const after = spend(buckets.get(person), cost, performance.now());
	if (!after) throw new Refusal("tooOften", "That is more at once than anybody can do. Wait a moment, then go on.");
	buckets.delete(person);
	buckets.set(person, after);
	const [oldest] = buckets.keys();
	if (buckets.size > MOST_PEOPLE && oldest !== undefined) buckets.delete(oldest);
}
