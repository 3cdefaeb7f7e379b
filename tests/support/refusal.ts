import { METRIC, phraseText } from "@core/units/phrase";
import { Refusal } from "@server/house/refusal";

/** What somebody reads who is refused, in millimetres and °C. */
interface Refused extends Pick<Refusal, "kind" | "status" | "message"> {
	problems: { path: readonly (string | number)[]; sentence: string }[];
}

/** The refusal with which something ends that has to be refused. */
export const refusal = (promise: Promise<unknown>): Promise<Refused> =>
	promise.then(
		() => {
			throw new Error("It was not refused.");
		},
		(error: unknown) => {
			if (!(error instanceof Refusal)) throw error;
			const { kind, status, message, problems } = error;
			const said = problems.map(({ path, sentence }) => ({ path, sentence: phraseText(sentence, METRIC) }));
			return { kind, status, message, problems: said };
		},
	);
