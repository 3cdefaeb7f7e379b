import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const folder = (name: string) => fileURLToPath(new URL(`./${name}`, import.meta.url));
const alias = Object.fromEntries(
	["core", "contract", "formats", "db", "server", "standins", "web"].map((name) => [`@${name}`, folder(name)]),
);

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
				},
			},
			{
				resolve: { alias },
				test: {
					name: "database",
					include: ["tests/{database,faults}/**/*.test.ts"],
					globalSetup: ["tests/support/database.ts"],
					fileParallelism: false,
					testTimeout: 60_000,
					hookTimeout: 120_000,
				},
			},
		],
	},
});
