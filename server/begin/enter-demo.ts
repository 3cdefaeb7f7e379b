import { ROLES, type Role } from "@contract/people";
import type { Database } from "@db/connect";
import { user } from "@db/schema";
import { and, eq, isNull } from "drizzle-orm";
import { CLIENT_ADDRESS } from "../house/client";
import { Refusal } from "../house/refusal";
import { readDemoNote } from "../people/models/demo-note";
import { enter } from "../people/models/enter";

const HERE = ["127.0.0.1", "::1", "::ffff:127.0.0.1"];
/** Where ./start notes the passwords it made; not said where anybody beyond this machine reaches the application. */
const noteFile = () => process.env.ZEPHYR_DEMO_ENTRY || undefined;

/** Whether the demo is entered by one press: its passwords are in force, and who asks sits at this machine. */
const opensTo = (headers: Headers): boolean =>
	noteFile() !== undefined && HERE.includes(headers.get(CLIENT_ADDRESS) ?? "");

interface DemoPerson {
	role: Role;
	name: string;
	email: string;
	password: string;
}

/** Whom somebody at this machine may be in the demo, the instructor first; nobody once the passwords were changed. */
async function demoPeople(db: Database, headers: Headers): Promise<DemoPerson[]> {
	if (!opensTo(headers)) return [];
	const notes = readDemoNote(noteFile() ?? "");
	const rows = await db
		.select({ email: user.email, name: user.name, role: user.role })
		.from(user)
		.where(and(eq(user.demoPassword, true), isNull(user.disabledAt)));
	const known = rows.flatMap(({ email, name, role: its }) => {
		const password = notes.find((one) => one.email === email)?.password;
		const role = ROLES.find((one) => one === its);
		return password && role ? [{ role, name, email, password }] : [];
	});
	return known.sort((a, b) => b.role.localeCompare(a.role));
}

export const demoDoors = async (db: Database, headers: Headers): Promise<{ role: Role; name: string }[]> =>
	(await demoPeople(db, headers)).map(({ role, name }) => ({ role, name }));

/** Signs somebody at this machine in to the demo. @throws Refusal where it is no demo, or not from here */
export async function enterDemo(db: Database, request: Request, role: string, now: Date): Promise<Response> {
	const person = (await demoPeople(db, request.headers)).find((one) => one.role === role);
	if (!person) throw new Refusal("forbidden", "The demo is entered by one press only where it runs. Sign in instead.");
	const { email, password } = person;
	return enter(db, request, { email, password }, now);
}
