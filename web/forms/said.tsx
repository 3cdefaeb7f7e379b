import { type Phrase, phraseText } from "@core/units/phrase";
import { readWritten } from "@core/units/written";
import { usePrefs } from "../lib/prefs";

/** A sentence in the reader's units, whether it comes as a phrase or was written into a string on its way. */
export function useSaid(): (words: string | Phrase) => string {
	const { units } = usePrefs();
	return (words) => phraseText(typeof words === "string" ? readWritten(words) : words, units);
}

export const Said = ({ words }: { words: string | Phrase }) => <>{useSaid()(words)}</>;
