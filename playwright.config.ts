import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/chromium";

export default defineConfig({
	testDir: "tests/e2e",
	workers: 1,
	retries: 0,
	timeout: 90_000,
	globalSetup: "./tests/support/e2e-server.ts",
	outputDir: "data/e2e",
	reporter: [["list"], ["json", { outputFile: "data/reports/e2e.json" }]],
	use: {
		viewport: { width: 1280, height: 800 },
		trace: "off",
		actionTimeout: 8000,
		navigationTimeout: 15_000,
		launchOptions: CHROMIUM,
	},
});
