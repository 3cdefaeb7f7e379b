import { existsSync } from "node:fs";

const SHELL = "/usr/bin/chromium-headless-shell";

/** How Debian's Chromium is started, for tests and pictures: headless, without looking anything up outside. */
export const CHROMIUM = {
	executablePath: existsSync(SHELL) ? SHELL : "/usr/bin/chromium",
	args: [
		"--no-sandbox",
		"--disable-gpu",
		"--disable-quic",
		"--no-first-run",
		"--disable-background-networking",
		"--disable-component-update",
		"--disable-sync",
	],
};
