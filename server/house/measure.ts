import { ACTIONS, type Bucket, LOOKS, type Rate, STRANGERS, spend } from "./bucket";
import { Refusal } from "./refusal";

/** An image is made anew from its pixels, which takes as long as many other actions. */
export const IMAGE_COST = 10;
const MOST_PEOPLE = 1000;

const actions = new Map<string, Bucket>();
const looks = new Map<string, Bucket>();
const strangers = new Map<string, Bucket>();

/** That somebody does not do more than people can, or a refusal; each copy of the server counts for itself. */
export const countAction = (person: string, cost = 1): void => count(actions, person, cost, ACTIONS);

/** That one browser does not look at more than its screen shows, or a refusal: a class shares an account, not a session. */
export const countLook = (sessionId: string, cost = 1): void => count(looks, sessionId, cost, LOOKS);

/** That no address opens more pages than a class does that nobody signed in to, or a refusal. */
export const countStranger = (address: string): void => count(strangers, address, 1, STRANGERS);

function count(buckets: Map<string, Bucket>, person: string, cost: number, rate: Rate): void {
	const after = spend(buckets.get(person), cost, performance.now(), rate);
	if (!after) throw new Refusal("tooOften", "That is more at once than anybody can do. Wait a moment, then go on.");
	buckets.delete(person);
	buckets.set(person, after);
	const [oldest] = buckets.keys();
	if (buckets.size > MOST_PEOPLE && oldest !== undefined) buckets.delete(oldest);
}
