import type { KilnHeat, UNMEASURED_WORDS } from "../kiln/heat";
import { type Phrase, say } from "../units/phrase";
import { OPEN_C } from "./build";

export interface OpenNow {
	may: boolean;
	/** One sentence; empty when it may be opened. */
	why: Phrase;
	/** A temperature that somebody reads off the kiln’s display would tell. */
	asksDisplay: boolean;
}

/**
 * Opening goes by the temperature measured in this firing, or read by a person where nothing is measured, and by the time thick glass
 * needs to follow it. What is computed opens nothing.
 * @param openAtMs "open not before", ms; null for a firing that has not been started
 */
export function mayOpen(openAtMs: number | null, heat: KilnHeat, nowMs: number): OpenNow {
	if (openAtMs === null) return no(say`It has not been started.`);
	if (nowMs < openAtMs) return no(say`The glass inside is still hotter than the kiln’s air shows.`);
	switch (heat.how) {
		case "measured":
			if (!heat.ofThisFiring)
				return no(say`The kiln’s last reading is not of this firing: read its own display.`, true);
			return heat.measuredC > OPEN_C
				? no(say`The kiln still measures ${{ c: heat.measuredC }}; it opens at ${{ c: OPEN_C }}.`)
				: YES;
		case "read":
			return heat.readC > OPEN_C
				? no(say`${heat.readBy} read ${{ c: heat.readC }} off its display; it opens at ${{ c: OPEN_C }}.`, true)
				: YES;
		case "computed":
		case "nothing":
			return no(WHY[heat.why], true);
	}
}

const YES: OpenNow = { may: true, why: [], asksDisplay: false };
const no = (why: Phrase, asksDisplay = false): OpenNow => ({ may: false, why, asksDisplay });

const WHY: Record<keyof typeof UNMEASURED_WORDS, Phrase> = {
	noLine: say`Nothing measures this kiln: read its own display.`,
	never: say`Nothing was read from this kiln yet: read its own display.`,
	silent: say`There is no fresh reading from this kiln: read its own display.`,
	sensorOpen: say`The kiln’s sensor gives nothing: nobody knows how hot it is inside. Read another thermometer.`,
	sensorFault: say`The kiln’s sensor says what no kiln can do: it is not believed. Read another thermometer.`,
	unconfirmed: say`Nobody has confirmed what this kiln’s recorder writes: read its own display.`,
};
