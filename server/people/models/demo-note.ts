import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";

/** A sign-in that the first start made and printed. */
export interface DemoSignIn {
	email: string;
	password: string;
	role: string;
}

export const readDemoNote = (file: string): DemoSignIn[] =>
	existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : [];

/** Readable by its owner only; without anything in it, gone. */
export function writeDemoNote(file: string, signIns: readonly DemoSignIn[]): void {
	if (signIns.length > 0) {
		writeFileSync(file, JSON.stringify(signIns), { mode: 0o600 });
		return;
	}
	try {
		rmSync(file, { force: true });
	} catch {
		writeFileSync(file, "[]"); // in a folder of somebody else's: the next start takes it away
	}
}

/** Passwords that were changed are not noted any longer. @param file where the start command keeps its note */
export function forgetDemo(emails: readonly string[], file = process.env.ZEPHYR_DEMO_NOTE): void {
	if (!file) return;
	writeDemoNote(
		file,
		readDemoNote(file).filter(({ email }) => !emails.includes(email)),
	);
}
