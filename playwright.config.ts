import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/chromium";

export default defineConfig({
	testDir: "tests/e2e",
	// Files beside each other: each has a studio, a server and a stand-in of its own, and half the time a page waits.
	workers: 2,
	retries: 0,
	// When something is given up: nothing that is judged. A busy machine needs most of it.
	timeout: 600_000,
	expect: { timeout: 60_000 },
	globalSetup: "./tests/support/e2e-server.ts",
	outputDir: "data/e2e",
	reporter: [["list"], ["json", { outputFile: "data/reports/e2e.json" }]],
	use: {
		viewport: { width: 1280, height: 800 },
		trace: "off",
		actionTimeout: 60_000,
		navigationTimeout: 90_000,
		launchOptions: CHROMIUM,
	},
});
