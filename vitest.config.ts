import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
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
		include: ["comlink", "react", "react-dom", "react-dom/client", "react/jsx-dev-runtime", "vitest-browser-react"],
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

/** Pure functions share nothing: the modules of one file serve the next. */
const pure = { exclude: ["**/*.browser.test.tsx"], pool: "threads" as const, isolate: false, testTimeout: GIVEN_UP_MS };

/** In front of a throw-away PostgreSQL, one file after another. */
const atDatabase = {
	globalSetup: ["tests/support/database.ts"],
	fileParallelism: false,
	isolate: false,
	testTimeout: 2 * GIVEN_UP_MS,
	hookTimeout: GIVEN_UP_MS,
};

/** What the book does not take waits here. */
const UNKEPT = { ZEPHYR_UNKEPT: folder("data/test/unkept") };
/** What use cases need of the settings without a server around them; no database of theirs is at that address. */
const SETTINGS = {
	ZEPHYR_SECRET: "only-for-tests-only-for-tests-only-for-tests",
	ZEPHYR_PUBLIC_URL: "http://127.0.0.1:1",
	DATABASE_URL: "postgres://127.0.0.1:1/nobody",
};

/** What needs nothing but the code. */
const UNIT = [
	"{core,contract,formats,server,web,standins,scripts,demo}/**/*.test.{ts,tsx}",
	"tests/checks/**/*.test.ts",
];

/** Those of them that have more cases than are tried before every commit (tests/support/thorough.ts). */
const thorough = (): string[] =>
	["core", "formats", "tests/checks"].flatMap((top) =>
		readdirSync(folder(top), { recursive: true, encoding: "utf8" })
			.map((path) => join(top, path))
			.filter((path) => path.endsWith(".test.ts") && readFileSync(folder(path), "utf8").includes("support/thorough")),
	);

export default defineConfig({
	resolve: { alias },
	test: {
		projects: [
			{ resolve: { alias }, test: { ...pure, name: "unit", include: UNIT } },
			{
				resolve: { alias },
				test: { ...pure, name: "proofs", include: thorough(), env: { ZEPHYR_THOROUGH: "1" } },
			},
			{
				resolve: { alias },
				test: {
					...atDatabase,
					name: "database",
					include: ["tests/database/**/*.test.ts"],
					env: { ...UNKEPT, ...SETTINGS, ZEPHYR_THOROUGH: process.env.CI ? "1" : "" },
				},
			},
			{
				// All that may fail: a database that is away for a minute, twenty kills, a full disk.
				resolve: { alias },
				test: {
					...atDatabase,
					name: "faults",
					include: ["tests/faults/**/*.test.ts"],
					env: { ...UNKEPT, ZEPHYR_FAULTS_AWAY_MS: "60000" },
				},
			},
			inBrowser("browser", "web/**/*.browser.test.tsx"),
			inBrowser("frames", "web/**/*.frames.tsx"),
		],
	},
});
