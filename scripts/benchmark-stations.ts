import { see } from "@server/house/see";
import { addYears, STATIONS } from "../tests/support/years";
import { onThrowAwayStudio } from "./benchmark-studio";

/** Ten years of a busy studio. */
const YEARS = { pieces: 60_000, eventsEach: 8, readings: 4_000_000 };
const RUNS = 7;
/** What every station's view asks of the database after ten years, and how long it takes. */
export async function stationRows(): Promise<string[]> {
	let questions = 0;
	return onThrowAwayStudio(
		async (db) => {
			await addYears(db, YEARS);
			const who = { actor: { id: "", sessionId: "", name: "", role: "instructor" as const }, now: new Date() };
			const rows: string[] = [];
			for (const [view, params] of STATIONS) {
				const times: number[] = [];
				for (let i = 0; i < RUNS; i++) {
					questions = 0;
					const from = performance.now();
					await see(db, view, params, who);
					times.push(performance.now() - from);
				}
				const sorted = times.slice(1).sort((a, b) => a - b);
				const median = sorted[Math.floor(sorted.length / 2)] ?? 0;
				rows.push(`| ${view} | ${questions} | ${median.toFixed(1)} | ${(sorted.at(-1) ?? 0).toFixed(1)} |`);
			}
			return rows;
		},
		() => questions++,
	);
}
