import { z } from "zod";
import { assistant, instructor } from "./action";
import { id, words } from "./fields";
import { most, seenByAssistant, seenByInstructor } from "./view";

/** Least first: a person may do all that lesser roles may. */
export const ROLES = ["assistant", "instructor"] as const;
export type Role = (typeof ROLES)[number];

/** Whether somebody of a role may do what asks for at least `least`. Nobody, and a role we do not know, may do nothing. */
export function mayAs(role: string | null | undefined, least: Role): boolean {
	const rank = (ROLES as readonly (string | null | undefined)[]).indexOf(role);
	return rank >= 0 && rank >= ROLES.indexOf(least);
}

/** The sign-in library's ids are not all of one form. */
const person = words("The person", 64, 1);
const present = z.string().min(1, "Type the present password.").max(128);
export const password = z
	.string()
	.min(10, "A password needs at least 10 characters.")
	.max(128, "A password has at most 128 characters.");

export const actions = {
	/** Sessions of somebody end: one, or all but the one that asks. */
	endSessions: assistant
		.asks(z.strictObject({ userId: person, sessionId: person.optional() }))
		.touches("people")
		.answers<{ ended: number }>(),
	setDisabled: instructor
		.asks(z.strictObject({ userId: person, disabled: z.boolean() }))
		.touches("people")
		.answers<{ disabled: boolean }>(),
	/** An address that makes an account once; it is shown once, and nobody can look it up afterwards. */
	invite: instructor
		.asks(z.strictObject({ role: z.enum(ROLES, { error: "Choose a role." }), forWhom: words("For whom", 80, 1) }))
		.touches("people")
		.answers<{ path: string; expiresAt: string }>(),
	takeBackInvitation: instructor
		.asks(z.strictObject({ invitationId: id }))
		.touches("people")
		.answers<{ takenBack: true }>(),
	setRole: instructor
		.asks(z.strictObject({ userId: person, role: z.enum(ROLES, { error: "Choose a role." }) }))
		.touches("people")
		.answers<{ role: Role }>(),
	/** A new secret for a device; nothing is asked for until a code of it was typed. */
	beginSecondFactor: assistant
		.asks(z.strictObject({ current: present }))
		.touches()
		.answers<{ secret: string; qrPath: string; qrSize: number }>(),
	/** Answers codes for the day that the device is lost: they are shown once. */
	confirmSecondFactor: assistant
		.asks(z.strictObject({ code: words("The code", 10, 6) }))
		.touches("people")
		.answers<{ recovery: string[] }>(),
	/** One's own with the password; another's by an instructor, where the device is lost. */
	dropSecondFactor: assistant
		.asks(z.strictObject({ userId: person, current: present }))
		.touches("people")
		.answers<{ dropped: true }>(),
	changePassword: assistant
		.asks(z.strictObject({ current: present, next: password }))
		.touches("people")
		.answers<{ changed: true }>(),
};

/** What is written down for good; docs/security.md says when. */
export const AUDIT_KINDS = [
	"signedIn",
	"signInRefused",
	"signedOut",
	"passwordChanged",
	"secondFactor",
	"sessionsEnded",
	"disabled",
	"enabled",
	"forbidden",
	"steered",
	"exported",
	"begun",
	"erased",
	"invited",
	"joined",
	"roleChanged",
	"openedEarly",
	"outOfService",
	"invitationTakenBack",
	"permissions",
	"recorderConfirmed",
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

export interface SessionView {
	id: string;
	since: string;
	/** From where, and with what, as the browser says. */
	address: string;
	agent: string;
	/** It is the one that asks. */
	own: boolean;
}

export interface AccountView {
	userId: string;
	secondFactor: { on: boolean; recoveryLeft: number };
	sessions: SessionView[];
}

export interface PersonView {
	id: string;
	name: string;
	email: string;
	role: Role;
	/** It is the one that asks. */
	own: boolean;
	disabledAt: string | null;
	demoPassword: boolean;
	secondFactor: boolean;
	sessions: SessionView[];
}

export interface InvitationView {
	id: string;
	role: Role;
	forWhom: string;
	expiresAt: string;
}

export interface PeopleView {
	people: PersonView[];
	/** Those that still open the door. */
	invitations: InvitationView[];
	/** Since the book was last copied (s) and what is free on its disk (bytes), where that is known. */
	house: { copiedAgoS: number | null; freeBytes: number | null };
	/** What happened, newest first. */
	audit: { id: number; at: string; kind: AuditKind; who: string | null; address: string; about: string }[];
	/** Rows there are. */
	audits: number;
}

export const views = {
	account: seenByAssistant.given({}).of("people").showsThem<AccountView>(),
	people: seenByInstructor.given({ most }).of("people").showsThem<PeopleView>(),
};
