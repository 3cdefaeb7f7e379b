/** A hot kiln is read every ten seconds of its own clock, an idle one every minute; older than this is said, s. */
const HOT_OLD_S = 45;
const IDLE_OLD_S = 180;
/** The page asks again after half a minute though it hears nothing; an answer older than this is said, s. */
const ANSWER_OLD_S = 40;

/**
 * How old what a kiln's cell shows is, in words, where that is older than it should be; undefined where it is fresh, or where
 * nothing was ever read. Whether the reading is old or the page's own answer: what is shown was true that long ago.
 * @param readAgoS age of the reading when the server answered, s; null without one
 * @param answeredAgoS age of the server's answer, s
 */
export function oldReading(readAgoS: number | null, answeredAgoS: number, hot: boolean): string | undefined {
	if (readAgoS === null) return undefined;
	const ageS = readAgoS + answeredAgoS;
	return ageS > (hot ? HOT_OLD_S : IDLE_OLD_S) ? agoWords(ageS) : undefined;
}

/** How long nothing was heard from the server, in words, where that is longer than it should be. */
export const oldAnswer = (answeredAgoS: number): string | undefined =>
	answeredAgoS > ANSWER_OLD_S ? agoWords(answeredAgoS) : undefined;

/** "50 s ago", "4 min ago", "3 h ago" */
export function agoWords(ageS: number): string {
	if (ageS < 90) return `${Math.round(ageS)} s ago`;
	if (ageS < 5400) return `${Math.round(ageS / 60)} min ago`;
	return `${Math.round(ageS / 3600)} h ago`;
}
