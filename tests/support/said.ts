import { METRIC, type Phrase, phraseText } from "@core/units/phrase";
import { readWritten } from "@core/units/written";

/** A sentence as somebody reads it in millimetres and °C, whether it is a phrase or was written into a string. */
export const said = (sentence: Phrase | string): string =>
	phraseText(typeof sentence === "string" ? readWritten(sentence) : sentence, METRIC);

/** The first sentence of what went wrong, as somebody reads it. */
export const firstSaid = (problems: readonly { sentence: Phrase }[]): string => said(problems[0]?.sentence ?? []);
