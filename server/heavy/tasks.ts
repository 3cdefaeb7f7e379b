import { bestPlans, type CutProgress, type CutTask } from "@core/cutting/plan/search";
import { curveOf, type Schedule } from "@core/firing/schedule";
import type { GlassFamily } from "@core/glass/family";
import { type Learned, learnKiln } from "@core/kiln/learn";
import type { LogMapping, LogPoint, RecorderForm } from "@core/kiln/log";
import { seriesOf } from "@core/kiln/simulate";
import type { KitDesign } from "@core/kit/kit";
import type { LayWish, LoadKiln, LoadSchools, WaitingPiece } from "@core/loading/load";
import { simulateLoad } from "@core/loading/load-heat";
import { proposeLoad } from "@core/loading/propose";
import { kitHours } from "@core/stack/kit-hours";
import { mainFamily, pieceToFire } from "@core/stack/outlook";
import { type GlassBook, type KitReading, readKit } from "@core/stack/read-kit";
import { stackOf } from "@core/stack/stack";
import { type CutMap, cutMapPdf } from "@formats/cut-map-pdf";
import { readLog } from "@formats/kiln-log";
import { type KitSheet, kitPdf } from "@formats/kit-pdf";
import { readRecorded } from "@formats/recorder-line";
import { type ShoppingPaper, shoppingPdf } from "@formats/shopping-pdf";
import { fontFiles } from "./fonts";

interface BookedKit {
	design: KitDesign;
	book: GlassBook;
}

interface PlannedLoad {
	pieces: WaitingPiece[];
	kiln: LoadKiln;
	family: GlassFamily;
}

interface LogText {
	text: string;
	mapping: LogMapping;
	timeZone: string;
}

interface RecordedKiln {
	log: LogPoint[];
	known: { roomC: number; plateW?: number };
}

interface RecorderText {
	text: string;
	form: RecorderForm;
	timeZone: string;
	before: { foreign?: boolean; afterMs?: number };
}

/** What takes too long for a process that answers. Pure: each gets all it needs, for it is done in another thread. */
export const tasks = {
	readKit: ({ design, book }: BookedKit): KitReading => readKit(design, book),

	/** A reading as it is kept, with the hours that a list is sorted by. */
	readAndTime: ({ design, book }: BookedKit) => ({ reading: readKit(design, book), hoursAt: kitHours(design, book) }),

	/** What a schedule has to know of a kit, and the family with most glass. */
	kitToFire({ design, book }: BookedKit) {
		const stack = stackOf(design, book);
		return { piece: pieceToFire(stack), familyId: mainFamily(stack) };
	},

	readLog: ({ text, mapping, timeZone }: LogText) => readLog(text, mapping, timeZone),

	readRecorded: ({ text, form, timeZone, before }: RecorderText) => readRecorded(text, form, timeZone, before),

	learnKiln: ({ log, known }: RecordedKiln): Learned => learnKiln(log, known),

	/** A kit's sheet; it is read here where no reading is kept. */
	kitPdf: ({
		book,
		reading,
		...sheet
	}: Omit<KitSheet, "reading" | "fonts"> & { book: GlassBook; reading: KitReading | undefined }) =>
		kitPdf({ ...sheet, fonts: fontFiles(), reading: reading ?? readKit(sheet.design, book) }),

	/** What the plan with the fewest sheets costs. */
	planSheets: (task: CutTask) => ([...bestPlans(task)].at(-1) as CutProgress).best.fewestSheets.figures,

	/** A sheet's scores on paper. */
	cutMapPdf: (map: Omit<CutMap, "fonts">) => cutMapPdf({ ...map, fonts: fontFiles() }),

	/** What is to be bought, on paper. */
	shoppingPdf: (sheet: Omit<ShoppingPaper, "fonts">) => shoppingPdf({ ...sheet, fonts: fontFiles() }),

	proposeLoad: (
		load: Pick<PlannedLoad, "pieces" | "kiln"> & { families: GlassFamily[]; schools: LoadSchools; wish: LayWish },
	) => proposeLoad(load.pieces, load.kiln, load.families, load.schools, load.wish),

	/** A load's schedule as planned and as the kiln will follow it, to be drawn. */
	drawLoad: ({ pieces, kiln, family, schedule, shelves }: PlannedLoad & { schedule: Schedule; shelves: number }) => ({
		plan: curveOf(schedule, kiln.body),
		air: thinned([...seriesOf(simulateLoad(pieces, kiln, family, schedule, shelves), "airC")]),
	}),
};

const DRAWN = 300;

function thinned<T>(points: T[]): T[] {
	const every = Math.max(1, Math.ceil(points.length / DRAWN));
	return points.filter((_, i) => i % every === 0 || i === points.length - 1);
}

export type Tasks = typeof tasks;
