import { z } from "zod";
import { glass, glassFamily, mould, sample } from "./books";
import { count, day, fault, glue, id, level, nextStep, seq, words } from "./fields";
import { handIn, pieceStep } from "./hand-in";
import { KILN_COMMANDS, kilnForm, LARGEST_LOG_CHARACTERS, logMapping } from "./kiln";
import { kitDesign } from "./kit";
import { kitFile } from "./kit-file";
import { look, microwaveSteps, oven } from "./microwave";
import { scheduleDocument, schools } from "./schedule";

const password = z
	.string()
	.min(10, "A password needs at least 10 characters.")
	.max(128, "A password has at most 128 characters.");

/** Everything a person can make the studio do: the schema that forms, endpoint and server share. */
export const actions = {
	saveKit: z.strictObject({ kitId: id, revision: count("Revision", 0, 1_000_000), document: kitDesign }),
	importKit: z.strictObject({ kitId: id, file: kitFile }),
	saveGlass: z.strictObject({ glass }),
	saveFamily: z.strictObject({ family: glassFamily }),
	saveMould: z.strictObject({ mould }),
	saveSample: sample,
	planCut: z.strictObject({ sessionId: id, kitId: id, kits: count("Kits", 1, 60) }),
	tickCut: z.strictObject({ cutRunId: id, lineKey: words("The cut", 120, 1), done: count("Done", 0, 10_000) }),
	signSafety: z.strictObject({ sessionId: id, studentIds: z.array(id).min(1, "Choose at least 1 student.").max(60) }),
	issueKits: z.strictObject({
		sessionId: id,
		kitId: id,
		promisedDay: day.nullable(),
		issues: z
			.array(z.strictObject({ pieceId: id, eventId: id, studentId: id }))
			.min(1, "Choose at least 1 student.")
			.max(60, "At most 60 kits at once."),
	}),
	handIn,
	reglue: z.strictObject({ ...pieceStep, glue }),
	acceptLoad: z.strictObject({
		firingId: id,
		kilnId: id,
		pieces: z
			.array(z.strictObject({ pieceId: id, seq }))
			.min(1, "Choose at least 1 piece.")
			.max(200, "At most 200 pieces in one load."),
	}),
	cancelFiring: z.strictObject({ firingId: id }),
	saveSchedule: z.strictObject({
		scheduleId: id,
		revision: count("Revision", 0, 1_000_000),
		document: scheduleDocument,
	}),
	saveSchools: z.strictObject({ schools }),
	planFiring: z.strictObject({
		firingId: id,
		kilnId: id,
		scheduleId: id.nullable(),
		document: scheduleDocument,
		what: words("What it is for", 120, 1),
	}),
	reschedule: z.strictObject({ firingId: id, scheduleId: id.nullable(), document: scheduleDocument }),
	saveKiln: z.strictObject({ kiln: kilnForm }),
	doneUpkeep: z.strictObject({ kilnId: id, what: words("The task", 80, 1) }),
	importKilnLog: z.strictObject({
		kilnId: id,
		text: z
			.string()
			.min(1, "The file is empty.")
			.max(LARGEST_LOG_CHARACTERS, "A log has at most 12 million characters."),
		mapping: logMapping,
	}),
	acceptLearned: z.strictObject({ lessonId: id, kilnId: id, from: z.iso.datetime(), to: z.iso.datetime() }),
	acceptOffset: z.strictObject({ lessonId: id, kilnId: id, proposedK: z.number().min(-40).max(40) }),
	noteFiring: z.strictObject({ noteId: id, firingId: id, text: words("The note", 300, 1) }),
	steerKiln: z.strictObject({
		firingId: id,
		command: z.enum(KILN_COMMANDS),
		sure: z.literal(true, { error: "Say that this is wanted." }),
		somebodyThere: z.boolean(),
	}),
	seeAlarm: z.strictObject({ alarmId: id }),
	tellStandIn: z.strictObject({
		kilnId: id,
		fault: z.enum(["none", "stuckRelay", "openSensor", "powerCut", "lateReadings"]),
		forMin: count("The minutes", 1, 600),
	}),
	pressStandIn: z.strictObject({ kilnId: id, button: z.enum(["hold", "release", "skip", "stop", "resume"]) }),
	saveOven: z.strictObject({ oven }),
	startMicrowave: z.strictObject({
		runId: id,
		blockId: id,
		ovenId: id,
		what: words("What it is", 120),
		wanted: look,
		fired: z.boolean(),
		plan: microwaveSteps,
	}),
	lookMicrowave: z.strictObject({ runId: id, s: count("The time", 0, 36_000), seen: look }),
	endMicrowave: z.strictObject({ runId: id, steps: microwaveSteps }),
	openMicrowave: z.strictObject({ runId: id, outcome: look, note: words("The note", 300) }),
	startFiring: z.strictObject({
		firingId: id,
		speedUp: z.union([z.literal(1), z.literal(60), z.literal(600), z.literal(3600)], { error: "Choose a clock." }),
		somebodyThere: z.literal(true, { error: "Somebody has to be at the kiln when it starts." }),
	}),
	openFiring: z.strictObject({ firingId: id, earlyReason: words("The reason", 300) }),
	judge: z.strictObject({
		...pieceStep,
		firingId: id,
		level: z.union([level, z.literal("none")], { error: "Choose the level it reached." }),
		faults: z.array(fault).max(11, "At most 11 faults."),
		next: nextStep,
		note: words("The note", 500),
	}),
	finishColdWork: z.strictObject({ ...pieceStep, note: words("The note", 500) }),
	shelve: z.strictObject({ ...pieceStep, spot: words("The spot", 20, 1) }),
	collect: z.strictObject({ ...pieceStep, by: words("Collected by", 80, 1) }),
	undo: z.strictObject(pieceStep),
	note: z.strictObject({ pieceId: id, eventId: id, note: words("The note", 500, 1) }),
	changePassword: z.strictObject({ current: z.string().min(1, "Type the present password.").max(128), next: password }),
} as const;

export type ActionName = keyof typeof actions;
export type ActionInput<N extends ActionName> = z.infer<(typeof actions)[N]>;

/** What each action answers when it went well. */
export interface ActionOutput {
	saveKit: { kitId: string; revision: number };
	/** What the studio's books did not have yet was added to them. */
	importKit: { kitId: string; added: string[] };
	saveGlass: { glassId: string };
	saveFamily: { familyId: string };
	saveMould: { mouldId: string };
	saveSample: { sampleId: string };
	planCut: { cutRunId: string };
	tickCut: { done: number };
	signSafety: { signed: number };
	issueKits: { codes: string[] };
	handIn: { code: string; readyFrom: string };
	reglue: { readyFrom: string };
	acceptLoad: { firingId: string; number: number };
	cancelFiring: { released: number };
	saveSchedule: { scheduleId: string; revision: number };
	saveSchools: { saved: true };
	planFiring: { firingId: string; number: number };
	reschedule: { firingId: string };
	saveKiln: { kilnId: string };
	doneUpkeep: { kilnId: string };
	/** Readings that were not there yet, and lines that could not be read. */
	importKilnLog: { added: number; known: number; skipped: number; from: string; to: string };
	acceptLearned: { lessonId: string };
	acceptOffset: { offsetK: number };
	noteFiring: { noteId: string };
	steerKiln: { command: string };
	seeAlarm: { alarmId: string };
	tellStandIn: { fault: string };
	pressStandIn: { button: string };
	saveOven: { ovenId: string };
	startMicrowave: { runId: string };
	lookMicrowave: { looks: number };
	endMicrowave: { runId: string };
	openMicrowave: { coolingMin: number };
	startFiring: { startedAt: string };
	openFiring: { firingId: string };
	judge: { state: string };
	finishColdWork: { state: string };
	shelve: { spot: string };
	collect: { state: string };
	undo: { state: string };
	note: { seq: number };
	changePassword: { changed: true };
}

export type Role = "instructor" | "assistant";

/** What an answer that did not go well says. 400 invalid, 401 signed out, 403 not allowed, 404 not there, 409 changed meanwhile. */
export interface Trouble {
	problems: { path: (string | number)[]; sentence: string }[];
}
