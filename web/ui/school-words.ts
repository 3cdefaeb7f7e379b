import {
	COOLING_SCHOOLS,
	DOT_SCHOOLS,
	HEAT_HOLD_MIN,
	HEAT_SCHOOLS,
	type Schools,
	WARM_UP_LAG_K,
	WARM_UP_SCHOOLS,
} from "@core/firing/schools";
import { SOAK_SCHOOLS } from "@core/glass/family";
import { type Phrase, say } from "@core/units/phrase";

/** What each school is called. */
export const SCHOOL_WORDS = {
	heat: { hotterShorter: "hotter and shorter", usual: "usual", coolerLonger: "cooler and longer" },
	soak: { lower: "soak lower, near the strain point", atAnnealingPoint: "soak at the annealing point" },
	cooling: { usual: "usual cooling", cautious: "cautious, half the rates" },
	warmUp: {
		usual: say`usual, ${{ stepC: WARM_UP_LAG_K.usual }} through the glass`,
		cautious: say`cautious, ${{ stepC: WARM_UP_LAG_K.cautious }} through the glass`,
	},
	dots: { asOthers: "dots like all others", straightUp: "tiny dots straight up and off" },
} as const;

const options = <T extends string>(values: readonly T[], words: Record<T, string | Phrase>) =>
	values.map((value) => {
		const label: string | Phrase = words[value];
		return { value: value as string, label: typeof label === "string" ? [label] : label };
	});

export interface SchoolChoice {
	key: keyof Schools;
	label: string;
	/** What it decides, in a sentence. */
	means: string;
	choices: { value: string; label: Phrase }[];
}

/** The schools one by one: what each is called, what it decides, and what may be chosen. */
export const SCHOOLS: readonly SchoolChoice[] = [
	{
		key: "heat",
		label: "Heat",
		means: `How the peak shares its work between temperature and time: ${HEAT_HOLD_MIN.hotterShorter}, ${HEAT_HOLD_MIN.usual} or ${HEAT_HOLD_MIN.coolerLonger} minutes of hold, solved for the same flow.`,
		choices: options(HEAT_SCHOOLS, SCHOOL_WORDS.heat),
	},
	{
		key: "warmUp",
		label: "Heating up",
		means: "How much hotter the surface may be than the core while cold glass heats: it sets the first ramp.",
		choices: options(WARM_UP_SCHOOLS, SCHOOL_WORDS.warmUp),
	},
	{
		key: "soak",
		label: "Soak",
		means: "Where the anneal soak lies. Both are in wide use; a family may have its own.",
		choices: options(SOAK_SCHOOLS, SCHOOL_WORDS.soak),
	},
	{
		key: "cooling",
		label: "Cooling",
		means: "How fast it falls after the soak. Half the rates for work that nobody wants to lose.",
		choices: options(COOLING_SCHOOLS, SCHOOL_WORDS.cooling),
	},
	{
		key: "dots",
		label: "Dots",
		means: "Loads of tiny dots only: annealed like the rest, or straight up and off.",
		choices: options(DOT_SCHOOLS, SCHOOL_WORDS.dots),
	},
];
