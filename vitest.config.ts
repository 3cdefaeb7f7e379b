import { fileURLToPath } from "node:url";
import tailwindcss from "@tailwindcss/vite";
import { playwright } from "@vitest/browser-playwright";
import { defineConfig } from "vitest/config";
import { CHROMIUM } from "./scripts/chromium";

const folder = (name: string) => fileURLToPath(new URL(`./${name}`, import.meta.url));
const alias = Object.fromEntries(
	["core", "contract", "formats", "db", "server", "standins", "web"].map((name) => [`@${name}`, folder(name)]),
);

/** When a test is given up, ms: nothing that is judged, only so that one that hangs ends; a busy machine needs most of it. */
const GIVEN_UP_MS = 600_000;

/** Runs in Debian's Chromium, one file after another. */
const inBrowser = (name: string, include: string) => ({
	resolve: { alias },
	plugins: [tailwindcss()],
	// Found beforehand: a package that is found late would load the page anew in the middle of a test.
	optimizeDeps: {
		include: ["react", "react-dom", "react-dom/client", "react/jsx-dev-runtime", "vitest-browser-react"],
	},
	test: {
		name,
		include: [include],
		fileParallelism: false,
		testTimeout: GIVEN_UP_MS,
		expect: { poll: { timeout: GIVEN_UP_MS / 2 } },
		browser: {
			enabled: true,
			headless: true,
			screenshotFailures: false,
			viewport: { width: 1280, height: 800 },
			provider: playwright({ launchOptions: CHROMIUM }),
			instances: [{ browser: "chromium" as const }],
		},
	},
});

export default defineConfig({
	resolve: { alias },
	test: {
		projects: [
			{
				resolve: { alias },
				test: {
					name: "unit",
					include: [
						"{core,contract,formats,server,web,standins,scripts,demo}/**/*.test.{ts,tsx}",
						"tests/checks/**/*.test.ts",
					],
					exclude: ["**/*.browser.test.tsx"],
					// Pure functions share nothing: the modules of one file serve the next.
					pool: "threads",
					isolate: false,
					testTimeout: GIVEN_UP_MS,
				},
			},
			{
				resolve: { alias },
				test: {
					name: "database",
					include: ["tests/{database,faults}/**/*.test.ts"],
					exclude: ["**/*.long.test.ts"],
					globalSetup: ["tests/support/database.ts"],
					fileParallelism: false,
					isolate: false,
					testTimeout: GIVEN_UP_MS,
					hookTimeout: GIVEN_UP_MS,
				},
			},
			{
				resolve: { alias },
				test: {
					// All that may fail, the long ones too: a database that is away for a minute, twenty kills, a full disk.
					name: "faults",
					include: ["tests/faults/**/*.test.ts"],
					globalSetup: ["tests/support/database.ts"],
					env: { ZEPHYR_FAULTS_AWAY_MS: "60000" },
					fileParallelism: false,
					isolate: false,
					testTimeout: 2 * GIVEN_UP_MS,
					hookTimeout: GIVEN_UP_MS,
				},
			},
			inBrowser("browser", "web/**/*.browser.test.tsx"),
			inBrowser("frames", "web/**/*.frames.tsx"),
		],
	},
});
