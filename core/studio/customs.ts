import type { Span, Week } from "../calendar/house-hours";
import type { Tariff } from "../cost/firing-cost";
import { type Spares, USUAL_SPARES } from "../cutting/spares";
import { DRY_MIN, type Glue } from "../journey/events";
import { type PlanWishes, USUAL_WISHES } from "../loading/plan/wishes";
import { USUAL_HOURS, type UsualHours } from "../promise/promise";
import { STATIONS, type Station } from "./stations";

/** Paper that comes out of the studio's printer: ISO 216 A4, or ANSI Letter. */
export const PAPER_SIZES = ["a4", "letter"] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];
export const PAPER_WORDS: Record<PaperSize, string> = { a4: "A4", letter: "Letter" };

/** Of whom a code of a device is asked besides the password, whether they want it or not. */
export const CODES_FOR = ["nobody", "instructors", "everybody"] as const;
export type CodesFor = (typeof CODES_FOR)[number];

/** How a studio does things where the trade leaves it to them. */
export interface Customs {
	/** Cut beyond what a class needs. */
	spares: Spares;
	/** Sheets as they are usually bought, mm; their streaks run along the width. */
	sheet: { widthMm: number; heightMm: number };
	/** Minutes until a glued piece may be moved and fired. */
	dryMin: Record<Glue, number>;
	/** When somebody is there who may load and open, Monday first; null: nobody that day. */
	week: Week;
	/** What assistants may do at a kiln beside an instructor. */
	assistantsMay: { load: boolean; open: boolean };
	/** A kiln that is not cool is opened by two people only, each by their own sign-in. */
	earlyByTwo: boolean;
	codesFor: CodesFor;
	/** No kiln is started in these hours; null: at any. */
	quiet: Span | null;
	/** A kiln may fire so long with nobody there, h; null: as long as it takes. */
	aloneHours: number | null;
	paper: PaperSize;
	tariff: Tariff;
	/** What counts more, and what less, when loads are planned. */
	planWishes: PlanWishes;
	/** Two families may lie on halves of one shelf where one schedule suits both. */
	mixFamilies: boolean;
	/** How long each part of a piece's way takes while the studio's own record says nothing. */
	usualHours: UsualHours;
	/** Cautions of one's own by station, one a line. */
	cautions: Record<Station, string>;
}

const WORKDAY: Span = { from: "08:00", to: "21:00" };

/** What a new studio begins with. Common practice, no source. */
export const USUAL_CUSTOMS: Customs = {
	spares: USUAL_SPARES,
	sheet: { widthMm: 500, heightMm: 430 },
	dryMin: DRY_MIN,
	week: [WORKDAY, WORKDAY, WORKDAY, WORKDAY, WORKDAY, WORKDAY, null],
	assistantsMay: { load: true, open: true },
	earlyByTwo: false,
	codesFor: "nobody",
	quiet: null,
	aloneHours: null,
	paper: "a4",
	tariff: { kwhMinor: null, shelfHourMinor: null },
	planWishes: USUAL_WISHES,
	mixFamilies: false,
	usualHours: USUAL_HOURS,
	cautions: Object.fromEntries(STATIONS.map((station) => [station, ""])) as Record<Station, string>,
};
