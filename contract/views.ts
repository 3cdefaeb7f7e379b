import type { CutLine } from "@core/cutting/count";
import type { CurvePoint } from "@core/firing/curve";
import type { CoolingSchool } from "@core/firing/demand";
import type { ScheduleDocument } from "@core/firing/document";
import type { FuseLevel } from "@core/firing/level";
import type { MergedDemand } from "@core/firing/merge";
import type { Schedule } from "@core/firing/schedule";
import type { Schools } from "@core/firing/schools";
import type { GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import type { AsMade, Fault, NextStep, PieceEvent } from "@core/journey/events";
import type { JourneyState } from "@core/journey/journey";
import type { CutVerdict } from "@core/kiln/after-cut";
import type { ControllerState } from "@core/kiln/controller";
import type { KilnBody } from "@core/kiln/kiln";
import type { Learned, Misfit } from "@core/kiln/learn";
import type { OffsetProposal } from "@core/kiln/offset";
import type { KilnZone, ShelfShape, UpkeepDue } from "@core/kiln/record";
import type { AlarmKind } from "@core/kiln/watch";
import type { KitDesign, RouteStep } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import type { Place } from "@core/loading/pack";
import type { LoadProposal } from "@core/loading/propose";
import type { Look, MicrowaveStep } from "@core/microwave/programme";
import type { PromiseState } from "@core/promise/promise";
import type { KitReading } from "@core/stack/read-kit";
import type { Phrase } from "@core/units/phrase";
import type { Role } from "./actions";
import type { KilnForm, KilnPermissions, LineStatus } from "./kiln";

/** What the stations show. Instants are ISO strings, days "2031-03-08", lengths mm, temperatures °C. */

export const STATIONS = ["kits", "cut", "bench", "dry", "load", "fire", "open", "handOver"] as const;
export type Station = (typeof STATIONS)[number];

export interface Band {
	colour: string;
	mm: number;
}

/** A kit's plan as filled paths, bottom layer first, the middle of its box at the origin; y grows downwards. */
export interface Picture {
	widthMm: number;
	heightMm: number;
	shapes: { d: string; colour: string }[];
}

/** Pictures of the kits that the pieces of a view were made from, by kit version. */
export type Pictures = Record<string, Picture>;

/** A piece as every list shows it. */
export interface PieceBrief {
	id: string;
	kitVersionId: string | null;
	code: string;
	student: string | null;
	kit: string | null;
	familyId: string;
	state: JourneyState;
	level: FuseLevel;
	hadLevel: FuseLevel | null;
	seq: number;
	step: number;
	route: RouteStep[];
	/** Plan of the thickest column, from the shelf up. */
	stack: Band[];
	stackCode: string;
	effectiveMm: number;
	asMade: AsMade | null;
	readyFrom: string | null;
	spot: string | null;
	since: string;
	promisedDay: string | null;
	promise: PromiseState | null;
	firingId: string | null;
}

export type KilnState = "empty" | "planned" | "running" | "cooling" | "canOpen";

export interface KilnCell {
	id: string;
	name: string;
	kind: "electric" | "microwaveBlock";
	state: KilnState;
	/** Null where its sensor gives nothing. */
	airC: number | null;
	/** Age of the reading in seconds; null when no reading was ever taken. */
	readAgoS: number | null;
	uses: number;
	phase: string;
	firing: {
		id: string;
		number: number;
		level: FuseLevel;
		pieces: number;
		speedUp: number;
		startedAt: string | null;
		elapsedS: number;
		openAt: string | null;
		plan: CurvePoint[];
		totalS: number;
	} | null;
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

export interface StationCount {
	count: number;
	late: number;
	line: string;
}

export interface FrameView {
	studio: string;
	timeZone: string;
	now: string;
	person: { name: string; role: Role };
	/** Kept free between pieces on a shelf, mm. */
	clearanceMm: number;
	stations: Record<Station, StationCount>;
	kilns: KilnCell[];
	alarms: AlarmBrief[];
}

export interface TodayLine {
	key: string;
	what: string;
	detail: string;
	at: string | null;
	href: string;
	action: string;
	urgency: "late" | "atRisk" | "due" | "calm";
}

export interface TodayView {
	doNow: TodayLine[];
	waiting: TodayLine[];
	promised: (TodayLine & { day: string })[];
}

export interface KitBrief {
	id: string;
	revision: number;
	document: KitDesign;
	reading: KitReading;
	issued: number;
}

export interface GlassBookView {
	glasses: Glass[];
	families: GlassFamily[];
}

export interface KitsView extends GlassBookView {
	kits: KitBrief[];
}

/** A frozen version: what was issued keeps it. */
export interface KitVersionBrief {
	version: number;
	revision: number;
	frozenAt: string;
	pieces: number;
}

export interface SampleBrief {
	id: string;
	name: string;
	document: KitDesign;
	stackCode: string;
	kiln: string | null;
	kilnId: string | null;
	level: FuseLevel;
	peakC: number;
	holdMin: number;
	firedOn: string;
	result: string;
	/** Codes of findings it bears out. */
	shows: string[];
	hasPicture: boolean;
}

export interface KitView extends GlassBookView {
	kit: KitBrief;
	isNew: boolean;
	moulds: Mould[];
	/** Samples a finding can cite: where it shows the same thing on one of the same glasses. */
	samples: (Pick<SampleBrief, "id" | "name" | "shows"> & { glassIds: string[] })[];
	versions: KitVersionBrief[];
	/** Clear height of the tallest kiln, mm; null without a kiln. */
	clearHeightMm: number | null;
	coolingSchool: CoolingSchool;
	/** ISO 4217; null for who may not see money. */
	currency: string | null;
}

export interface KitVersionView {
	version: number;
	document: KitDesign;
}

export interface BooksView extends GlassBookView {
	moulds: Mould[];
	samples: SampleBrief[];
	kilns: { id: string; name: string }[];
	kits: { id: string; name: string }[];
	currency: string | null;
}

export interface SessionBrief {
	id: string;
	title: string;
	day: string;
	startsAt: string;
	endsAt: string;
	promisedDay: string | null;
	students: number;
	isToday: boolean;
}

export interface CutRun {
	id: string;
	kits: number;
	kit: KitDesign;
	kitId: string;
	lines: (CutLine & { done: number })[];
}

export interface CutView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	runs: CutRun[];
	kits: { id: string; name: string }[];
}

export interface Seat {
	studentId: string;
	name: string;
	seat: number;
	safetySigned: boolean;
	pieces: PieceBrief[];
}

export interface BenchView extends GlassBookView {
	sessions: SessionBrief[];
	session: SessionBrief | null;
	seats: Seat[];
	kits: KitBrief[];
}

export interface DryView {
	pieces: PieceBrief[];
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
	/** How it is read; null without a line. */
	line: "standIn" | "modbus" | "folder" | null;
	/** Of the stand-in: which of its kilns. */
	permissions: KilnPermissions;
	doorSide: "front" | "top";
	/** Null when it is free now. */
	busyUntil: string | null;
	busyWith: string | null;
	/** Its next load may be planned: none is yet. */
	mayPlan: boolean;
}

export interface LoadView {
	trays: {
		key: string;
		familyId: string;
		level: FuseLevel;
		fromMm: number;
		upToMm: number | null;
		pieces: PieceBrief[];
		promised: string | null;
	}[];
	wet: PieceBrief[];
	untested: PieceBrief[];
	pictures: Pictures;
	kilns: KilnCard[];
	families: GlassFamily[];
}

export interface ProposalView extends LoadProposal {
	kilnId: string;
	openAt: string;
	plan: CurvePoint[];
	air: CurvePoint[];
}

export interface FiringPiece extends PieceBrief {
	place: Place;
	costHours: number;
	expectedLevel: FuseLevel;
	judgedLevel: FuseLevel | "none" | null;
	faults: Fault[];
	next: NextStep | null;
}

export interface FiringCard {
	id: string;
	number: number;
	state: "planned" | "running" | "opened" | "cancelled";
	kiln: KilnCard;
	family: GlassFamily;
	level: FuseLevel;
	schedule: Schedule;
	setBy: MergedDemand["setBy"];
	airMin: number;
	plannedAt: string;
	startedAt: string | null;
	speedUp: number;
	openAt: string | null;
	openS: number;
	/** As corrected while it runs; null until something could be said. */
	predictedEndS: number | null;
	predictedOpenS: number | null;
	kwh: number;
	flow: number;
	/** What lies in it: thickest glass (mm), heat of shelf and glass (J/K), glass on moulds. */
	heat: { thicknessMm: number; loadJPerK: number; onMould: boolean };
	/** What a bare firing is for. */
	what: string;
	note: string;
	scheduleName: string | null;
	pieces: FiringPiece[];
}

export interface FireView {
	firings: FiringCard[];
}

/** A measured point; null leaves a gap. */
export interface MeasuredPoint {
	s: number;
	c: number | null;
}

/** A firing as it runs: what was measured, where its controller is, what was noted and what went wrong. */
export interface ReadingsView {
	firingId: string;
	points: MeasuredPoint[];
	flowSoFar: number;
	latest: {
		at: string;
		airC: number | null;
		setC: number | null;
		duty: number | null;
		kwh: number | null;
		segment: number | null;
		elapsedS: number | null;
		status: LineStatus | null;
	} | null;
	/** Where a simulation of the rest begins; null where nothing can be said. */
	controller: ControllerState | null;
	notes: { id: string; at: string; elapsedS: number | null; text: string; by: string | null }[];
	alarms: AlarmBrief[];
	cut: CutVerdict | null;
}

export interface ScheduleBrief {
	id: string;
	revision: number;
	document: ScheduleDocument;
	versions: { version: number; frozenAt: string; firings: number; document: ScheduleDocument }[];
}

export interface SchedulesView {
	schedules: ScheduleBrief[];
	schools: Schools;
	families: GlassFamily[];
	kits: { id: string; name: string }[];
	pieces: { code: string; student: string | null; kit: string | null; level: FuseLevel }[];
	firings: { id: string; number: number; kiln: string; level: FuseLevel }[];
}

export interface ScheduleView {
	schedule: ScheduleBrief | null;
	/** What the bench opens with. */
	document: ScheduleDocument;
	/** In words: a kept schedule, a kit, a piece, a planned firing, or nothing. */
	from: string;
	kilnId: string | null;
	kilns: KilnCard[];
	families: GlassFamily[];
	moulds: Mould[];
	others: { id: string; document: ScheduleDocument }[];
	/** The planned firing it would be for. */
	firing: { id: string; number: number; heat: FiringCard["heat"] } | null;
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
	uses: number;
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
	/** First and last reading. */
	record: { from: string; to: string } | null;
	latest: ReadingsView["latest"];
	alarms: AlarmBrief[];
	logFolder: string;
}

export interface KilnsView {
	kilns: {
		id: string;
		name: string;
		kind: "electric" | "microwaveBlock";
		card: KilnCard;
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

export interface MicrowaveRunBrief {
	id: string;
	blockId: string;
	ovenId: string;
	oven: string;
	what: string;
	wanted: Look;
	fired: boolean;
	plan: MicrowaveStep[];
	steps: MicrowaveStep[];
	looks: { s: number; seen: Look; at: string }[];
	startedAt: string;
	heatedAt: string | null;
	openedAt: string | null;
	outcome: Look | null;
	note: string;
}

export interface MicrowaveView {
	blocks: { id: string; name: string; uses: number }[];
	ovens: { id: string; name: string; watts: number[] }[];
	runs: MicrowaveRunBrief[];
	/** When today's class ends; null without one. */
	lessonEndsAt: string | null;
}

export interface OpenView {
	firings: (FiringCard & { airC: number | null; mayOpen: boolean; whyNot: string })[];
	pictures: Pictures;
}

export interface HandOverView {
	coldWork: PieceBrief[];
	ready: PieceBrief[];
	spots: { label: string; pieces: PieceBrief[] }[];
}

export interface HistoryLine {
	event: PieceEvent;
	by: string | null;
	undone: boolean;
}

export interface PieceView {
	piece: PieceBrief;
	history: HistoryLine[];
	photos: { id: string; widthPx: number; heightPx: number; takenAt: string }[];
	firings: {
		id: string;
		number: number;
		kiln: string;
		level: FuseLevel;
		startedAt: string | null;
		judgedLevel: string | null;
	}[];
	undoable: string | null;
	/** Who took it; null where it was the owner. */
	collectedBy: string | null;
	session: SessionBrief | null;
	kitId: string | null;
}

export interface FoundThing {
	kind: "piece" | "student" | "kit" | "glass" | "kiln";
	label: string;
	detail: string;
	href: string;
}

export interface FindView {
	exact: string | null;
	found: FoundThing[];
}

export interface LabelsView {
	labels: {
		code: string;
		student: string | null;
		kit: string | null;
		stackCode: string;
		qrPath: string;
		qrSize: number;
	}[];
}

export interface Views {
	frame: FrameView;
	today: TodayView;
	kits: KitsView;
	kit: KitView;
	kitVersion: KitVersionView;
	books: BooksView;
	cut: CutView;
	bench: BenchView;
	dry: DryView;
	load: LoadView;
	proposal: ProposalView;
	fire: FireView;
	readings: ReadingsView;
	schedules: SchedulesView;
	schedule: ScheduleView;
	kilns: KilnsView;
	kiln: KilnView;
	kilnRecord: KilnRecordView;
	kilnLesson: KilnLessonView;
	microwave: MicrowaveView;
	open: OpenView;
	handOver: HandOverView;
	piece: PieceView;
	find: FindView;
	labels: LabelsView;
}
export type ViewName = keyof Views;
