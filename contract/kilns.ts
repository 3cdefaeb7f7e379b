import type { CurvePoint } from "@core/firing/curve";
import type { FuseLevel } from "@core/firing/level";
import type { KilnHeat } from "@core/kiln/heat";
import type { KilnBody } from "@core/kiln/kiln";
import type { Learned, Misfit } from "@core/kiln/learn";
import type { RecorderForm, Unfit } from "@core/kiln/log";
import type { OffsetProposal } from "@core/kiln/offset";
import type {
	KilnCounts,
	KilnFixture,
	KilnZone,
	OutOfService,
	ShelfShape,
	UpkeepDue,
	UpperShelf,
} from "@core/kiln/record";
import { KILN_COMMANDS } from "@core/kiln/register-map";
import type { AlarmKind } from "@core/kiln/watch";
import type { Phrase } from "@core/units/phrase";
import { z } from "zod";
import { assistant, instructor } from "./action";
import type { KilnForm, KilnPermissions } from "./documents/kiln";
import {
	displayReading,
	kilnForm,
	kilnRecount,
	LARGEST_LOG_CHARACTERS,
	logMapping,
	outOfService,
	recorderForm,
} from "./documents/kiln";
import { count, entries, id, revision, words } from "./fields";
import type { FiringCard, ReadingsView } from "./firings";
import { HEAVY, instant, seenByAssistant, seenByInstructor } from "./view";

/** `toRead`: its time has come, and somebody has to read its display before it is opened. */
export type KilnState = "empty" | "planned" | "running" | "cooling" | "toRead" | "canOpen";

export interface KilnCell {
	id: string;
	name: string;
	kind: "electric" | "microwaveBlock";
	state: KilnState;
	/** How hot it is, and how that is known. */
	heat: KilnHeat;
	/** Age in seconds of what was measured or read; null where nothing was. */
	readAgoS: number | null;
	uses: number;
	/** Nobody fires it today. */
	isClosed: boolean;
	/** What it is doing, in a word or two. */
	phase: Phrase;
	firing: {
		id: string;
		number: number;
		level: FuseLevel;
		pieces: number;
		speedUp: number;
		/** When it is to be started; null: as soon as the kiln is free. */
		startsAt: string | null;
		startedAt: string | null;
		elapsedS: number;
		openAt: string | null;
		plan: CurvePoint[];
		totalS: number;
	} | null;
}

/** What every kiln is doing: along the foot of every screen. */
export interface KilnStripView {
	kilns: KilnCell[];
}

/** Something is wrong with a running firing; shown on every screen until it is over and somebody has seen it. */
export interface AlarmBrief {
	id: string;
	kilnId: string;
	kiln: string;
	firing: number | null;
	kind: AlarmKind;
	sentence: Phrase;
	startedAt: string;
	endedAt: string | null;
	seenAt: string | null;
	seenBy: string | null;
}

export interface KilnCard {
	id: string;
	name: string;
	body: KilnBody;
	shelfWidthMm: number;
	shelfHeightMm: number;
	marginMm: number;
	clearHeightMm: number;
	maxC: number;
	maxSegments: number;
	shelfShape: ShelfShape;
	zones: KilnZone[];
	fixtures: KilnFixture[];
	/** Shelves that may stand over the lowest one. */
	upper: UpperShelf[];
	/** Now or later; null: it may be fired. */
	outOfService: OutOfService | null;
	/** How it is read; null without a line. */
	line: "standIn" | "modbus" | "folder" | null;
	/** Of the stand-in: which of its kilns. */
	permissions: KilnPermissions;
	doorSide: "front" | "top";
	/** When what runs in it may be opened; null when nothing does. */
	busyUntil: string | null;
	busyWith: string | null;
}

/** One firing in a kiln's record: what was expected and what came. */
export interface KilnFiring {
	id: string;
	number: number;
	state: FiringCard["state"];
	startedAt: string | null;
	level: FuseLevel;
	pieces: number;
	what: string;
	expected: { flow: number; openS: number; kwh: number };
	came: { flow: number; kwh: number | null; misfit: Misfit | null } | null;
	judged: { level: FuseLevel | "none"; pieces: number }[];
	note: string;
}

export interface KilnView {
	form: KilnForm;
	revision: number;
	/** What the studio counts, beside what is typed. */
	counts: KilnCounts;
	uses: number;
	retired: boolean;
	card: KilnCard;
	upkeep: UpkeepDue[];
	firings: KilnFiring[];
	lessons: {
		id: string;
		at: string;
		what: "log" | "offset";
		before: KilnBody;
		after: KilnBody;
		because: Phrase[];
		by: string | null;
	}[];
	offset: OffsetProposal | null;
	/** Logs that were brought in, or are on their way. */
	imports: KilnImport[];
	/** First and last reading. */
	record: { from: string; to: string } | null;
	alarms: AlarmBrief[];
	logFolder: string;
}

export interface KilnImport {
	id: string;
	at: string;
	/** Of its first and last line. */
	from: string;
	to: string;
	/** Readings that were new. */
	added: number;
	/** Lines it has, and those that were gone through. */
	lines: number;
	written: number;
	/** Broken off: nobody writes it any more, and it is not through. */
	state: "kept" | "coming" | "brokenOff";
	by: string | null;
}

/** What a kiln says now: asked again with every reading, so it holds nothing else. */
export interface KilnNowView {
	latest: ReadingsView["latest"];
	heat: KilnHeat;
}

/** What a kiln’s recorder writes now, for a person to look at and confirm. */
export interface RecorderView {
	/** The file written last; null where there is none. */
	file: string | null;
	/** Its line of names, and its last lines as they stand. */
	header: string[] | null;
	tail: string;
	/** How its columns look: a guess, until it is confirmed. */
	form: RecorderForm | null;
	confirmed: { form: RecorderForm; at: string; by: string } | null;
	/** What is wrong with its last line by what was confirmed. */
	misfit: Unfit | null;
}

export interface KilnsView {
	kilns: {
		/** As it is written down; null for who may not change it. */
		form: KilnForm | null;
		revision: number;
		id: string;
		name: string;
		kind: "electric" | "microwaveBlock";
		card: KilnCard;
		retired: boolean;
		uses: number;
		/** The most urgent task. */
		upkeep: UpkeepDue | null;
		elements: { firings: number; dueFirings: number };
		lastFired: string | null;
	}[];
}

export interface KilnRecordView {
	points: { at: string; lowC: number; highC: number }[];
	from: string;
	to: string;
}

export interface KilnLessonView {
	learned: Learned;
	before: KilnBody;
	after: KilnBody | null;
	from: string;
	to: string;
}

/** A kiln's log is a file; everything else is what a person typed. */
const LARGEST_LOG_BYTES = 16 * 1024 * 1024;

export const actions = {
	saveKiln: instructor
		.asks(z.strictObject({ kiln: kilnForm, revision, anew: kilnRecount.optional() }))
		.touches("kilns")
		.answers<{ kilnId: string; revision: number }>(),
	/** Kilns of a list, new or known; all of them or none. */
	takeKilns: instructor
		.asks(z.strictObject({ entries: entries(z.strictObject({ kiln: kilnForm, revision }), 60) }))
		.touches("kilns")
		.answers<{ added: number; changed: number }>(),
	/** Nobody fires it for a while; null: it may be fired again. `was` is what the person saw there. */
	setOutOfService: assistant
		.asks(z.strictObject({ kilnId: id, out: outOfService.nullable(), was: outOfService.nullable() }))
		.touches("kilns")
		.answers<{ kilnId: string }>(),
	doneUpkeep: assistant
		.asks(z.strictObject({ kilnId: id, what: words("The task", 80, 1) }))
		.touches("kilns")
		.answers<{ kilnId: string }>(),
	/** Readings that were new, lines that were known, that are still being written, and that could not be read. */
	importKilnLog: instructor
		.asks(
			z.strictObject({
				/** The same import sent twice counts once. */
				importId: id,
				kilnId: id,
				text: z
					.string()
					.min(1, "The file is empty.")
					.max(LARGEST_LOG_CHARACTERS, "A log has at most 12 million characters."),
				mapping: logMapping,
			}),
			{ mostBytes: LARGEST_LOG_BYTES },
		)
		.touches("readings")
		.answers<{ added: number; known: number; toCome: number; skipped: number; from: string; to: string }>(),
	/** A person has seen lines of its recorder and says what they mean; `says` is what they were shown it says now. */
	confirmRecorder: instructor
		.asks(
			z.strictObject({
				kilnId: id,
				form: recorderForm,
				says: z.strictObject({ c: z.number(), at: z.iso.datetime("An instant.") }),
				sure: z.literal(true, { error: "Compare it with the kiln’s own display first." }),
			}),
		)
		.touches("kilns", "alarms", "readings")
		.answers<{ kilnId: string }>(),
	/** A temperature that somebody read off the kiln’s own display. */
	readDisplay: assistant
		.asks(z.strictObject({ readingId: id, kilnId: id, ...displayReading.shape }))
		.touches("firings", "readings")
		.answers<{ readingId: string }>(),
	takeBackImport: instructor
		.asks(z.strictObject({ importId: id }))
		.touches("readings")
		.answers<{ importId: string; removed: number }>(),
	acceptLearned: instructor
		.asks(z.strictObject({ lessonId: id, kilnId: id, from: z.iso.datetime(), to: z.iso.datetime() }))
		.touches("kilns")
		.answers<{ lessonId: string }>(),
	acceptOffset: instructor
		.asks(z.strictObject({ lessonId: id, kilnId: id, proposedK: z.number().min(-40).max(40) }))
		.touches("kilns")
		.answers<{ offsetK: number }>(),
	steerKiln: instructor
		.asks(
			z.strictObject({
				/** Of the note that is kept of it: the same asked again is not sent again. */
				noteId: id,
				firingId: id,
				command: z.enum(KILN_COMMANDS),
				sure: z.literal(true, { error: "Say that this is wanted." }),
				somebodyThere: z.boolean(),
			}),
		)
		.touches("firings")
		.answers<{ command: string }>(),
	seeAlarm: assistant
		.asks(z.strictObject({ alarmId: id }))
		.touches("alarms")
		.answers<{ alarmId: string }>(),
	tellStandIn: instructor
		.asks(
			z.strictObject({
				kilnId: id,
				fault: z.enum(["none", "stuckRelay", "openSensor", "powerCut", "lateReadings", "shortedSensor", "stillSensor"]),
				forMin: count("The minutes", 1, 600),
			}),
		)
		.touches()
		.answers<{ fault: string }>(),
	pressStandIn: assistant
		.asks(z.strictObject({ kilnId: id, button: z.enum(["hold", "release", "skip", "stop", "resume"]) }))
		.touches()
		.answers<{ button: string }>(),
};

const stretch = { id, from: instant("The beginning").optional(), to: instant("The end").optional() };

export const views = {
	kilnStrip: seenByAssistant
		.given({})
		.of("kilns", "firings", "loads", "readings", "alarms", "live")
		.shows<KilnStripView>(),
	kilns: seenByAssistant.given({}).of("kilns", "firings", "loads").shows<KilnsView>(),
	kiln: seenByAssistant
		.given({ id, tab: words("The tab", 20).optional() })
		.of("kilns", "firings", "loads", "readings", "alarms", "glass", "people")
		.shows<KilnView>(),
	kilnNow: seenByAssistant.given({ id }).of("live", "readings", "firings", "kilns", "alarms").shows<KilnNowView>(),
	/** Asked while somebody looks at it: a recorder’s lines come by themselves. */
	recorder: seenByInstructor.given({ id }).of("live", "kilns").shows<RecorderView>(),
	/** A kiln's record between two instants; the last 30 days where nothing is said. */
	kilnRecord: seenByAssistant
		.given(stretch)
		.of("kilns", "readings")
		.shows<KilnRecordView>(HEAVY / 4),
	kilnLesson: seenByAssistant.given(stretch).of("kilns", "readings", "firings").shows<KilnLessonView>(HEAVY),
};
