import { Refusal } from "@server/house/refusal";

/** The refusal with which something ends that has to be refused. */
export const refusal = (promise: Promise<unknown>): Promise<Refusal> =>
	promise.then(
		() => {
			throw new Error("It was not refused.");
		},
		(error: unknown) => {
			if (!(error instanceof Refusal)) throw error;
			return error;
		},
	);
