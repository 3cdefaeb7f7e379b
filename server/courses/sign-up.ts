import type { Picture } from "@contract/kits";
import { problemsOf } from "@contract/problems";
import { type SignUpForm, signUpForm } from "@contract/sign-up";
import { byId } from "@core/by-id";
import { choiceProblem } from "@core/kit/choice";
import type { Units } from "@core/units/phrase";
import type { Database, Reader } from "@db/connect";
import { lockAttempt, writeAttempt } from "@db/queries/attempts";
import { tellChange } from "@db/queries/changes";
import { loadCourse, sessionsOfCourse } from "@db/queries/courses";
import { loadGlass } from "@db/queries/glass";
import { pictureOf } from "@db/queries/pictures";
import { courseByKey, lockCourse, openSignUps } from "@db/queries/sign-ups";
import { loadStudio } from "@db/queries/studio";
import { kitDesign, signUp as signUps } from "@db/schema";
import { clock, dayOf } from "@formats/time";
import { inArray } from "drizzle-orm";
import { inTransaction } from "../house/in-transaction";
import { onChange } from "../house/live";
import { Refusal } from "../house/refusal";
import { sharedLook } from "../house/shared-look";
import { unitsOf } from "../house/units-of";

/** From one address within an hour; families and schools share one. */
const MOST_AN_HOUR = 12;
const HOUR_MS = 3_600_000;
/** More than these wait for an answer: the instructor looks before anybody else is taken. */
const MOST_UNANSWERED = 120;

const CLOSED = "Nobody can sign up here: the address is an old one, or the course is over. Ask the studio.";

/** What somebody outside sees of a course, or why there is nothing to see. */
export type SignUpDoor =
	| { open: false; studio: string; sentence: string }
	| {
			open: true;
			studio: string;
			courseId: string;
			title: string;
			about: string;
			room: string;
			priceMinor: number | null;
			currency: string;
			places: number;
			/** Places nobody has and nobody asked for. */
			left: number;
			smallKits: number;
			kits: { id: string; name: string; isLarge: boolean; picture: Picture }[];
			/** What sizes are said in. */
			units: Units;
			evenings: { day: string; startsAt: string; endsAt: string }[];
	  };

/** The course at a sign-up address as strangers may see it: no names, nobody's number. */
export async function signUpDoor(reader: Reader, key: string, now: Date): Promise<SignUpDoor> {
	const studio = await loadStudio(reader);
	const closed = { open: false, studio: studio.name, sentence: CLOSED } as const;
	const row = await courseByKey(reader, key);
	if (!row) return closed;
	const today = dayOf(now, studio.timeZone);
	const time = clock(now, studio.timeZone);
	const coming = (await sessionsOfCourse(reader, row.id)).filter(
		({ day, startsAt, cancelled }) => !cancelled && (day > today || (day === today && startsAt > time)),
	);
	if (coming.length === 0) return closed;
	const { kitIds = [], largeKitIds = [] } = (await loadCourse(reader, row.id)) ?? {};
	const offered =
		kitIds.length === 0
			? []
			: await reader
					.select({ id: kitDesign.id, name: kitDesign.name, retired: kitDesign.retired, design: kitDesign.document })
					.from(kitDesign)
					.where(inArray(kitDesign.id, kitIds));
	const glasses = byId((await loadGlass(reader)).glasses);
	const { asked } = await openSignUps(reader, row.id);
	const taken = Math.max(...coming.map(({ students }) => students));
	return {
		open: true,
		studio: studio.name,
		courseId: row.id,
		title: row.title,
		about: row.about,
		room: row.room,
		priceMinor: row.priceMinor,
		currency: studio.currency,
		places: row.places,
		left: Math.max(0, row.places - taken - asked),
		smallKits: row.smallKits,
		kits: offered
			.filter(({ retired }) => !retired)
			.map(({ id, name, design }) => ({
				id,
				name,
				picture: pictureOf(design, glasses),
				isLarge: largeKitIds.includes(id),
			}))
			.sort((a, b) => Number(a.isLarge) - Number(b.isLarge) || a.name.localeCompare(b.name)),
		units: unitsOf(studio),
		evenings: coming.map(({ day, startsAt, endsAt }) => ({ day, startsAt, endsAt })),
	};
}

/** The page is the same for everybody: drawn kits and places are looked up once for all who look within these, ms. */
const SHARED_MS = 5000;
const shared = sharedLook(SHARED_MS, (key, reader: Reader, now: Date) => signUpDoor(reader, key, now));
let heeds = false;

/** The same, made once for all who look at about the same time, until something that it shows has changed. */
export function sharedSignUpDoor(key: string, reader: Reader, now: Date): Promise<SignUpDoor> {
	if (!heeds) onChange(() => shared.forget());
	heeds = true;
	return shared(key, reader, now);
}

/**
 * Somebody outside asks for a place; whoever finds none waits. A name that asked before by the same e-mail is thanked again and changes
 * nothing: nobody learns here who is in a course.
 * @param address where the request came from
 * @throws Refusal with a sentence for each field, or for too many from one address
 */
export async function signUp(db: Database, key: string, raw: unknown, address: string, now: Date) {
	const parsed = signUpForm.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const form = parsed.data;
	await countSignUp(db, address, now);
	const asked = await inTransaction(db, async (tx) => {
		const row = await courseByKey(tx, key);
		if (row) await lockCourse(tx, row.id);
		const door = await signUpDoor(tx, key, now);
		if (!door.open) throw new Refusal("missing", door.sentence);
		const problem = choiceProblem(form.kitIds, door);
		if (problem) throw new Refusal("invalid", [{ path: ["kitIds"], sentence: problem }]);
		if ((await openSignUps(tx, door.courseId)).all >= MOST_UNANSWERED)
			throw new Refusal("tooOften", "So many have signed up that the studio has to look first. Try again tomorrow.");
		const state = door.left > 0 ? ("asked" as const) : ("waiting" as const);
		const { courseId } = door;
		await tx
			.insert(signUps)
			.values({ ...form, email: form.email.toLowerCase(), courseId, at: now, state })
			.onConflictDoNothing();
		await tellChange(tx, { topics: ["classes"] });
		return { waiting: state === "waiting" };
	});
	shared.forget();
	return asked;
}

/** Counts what comes from an address, in a transaction of its own: what is refused afterwards counts too. */
async function countSignUp(db: Database, address: string, now: Date): Promise<void> {
	const isTooMany = await inTransaction(db, async (tx) => {
		const key = `sign-up ${address}`;
		const { tries, lastAt } = await lockAttempt(tx, key, now);
		const recent = now.getTime() - lastAt.getTime() < HOUR_MS ? tries : 0;
		if (recent >= MOST_AN_HOUR) return true;
		await writeAttempt(tx, key, recent + 1, now);
		return false;
	});
	if (isTooMany)
		throw new Refusal("tooOften", "Too many have signed up from here. Wait an hour, or write to the studio.");
}

/** A form as it came, without what it does not ask for; a box that was not sent is empty. */
export function typedSignUp(form: FormData): SignUpForm {
	const of = (field: string) => String(form.get(field) ?? "");
	return {
		name: of("name"),
		email: of("email"),
		phone: of("phone"),
		adult: of("adult"),
		note: of("note"),
		kitIds: form.getAll("kit").map(String),
	};
}
