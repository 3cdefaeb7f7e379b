import type { Views } from "@contract/views";
import { kilnReading } from "@db/schema";
import { and, count, eq, gt } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { freePort } from "../../scripts/cluster";
import { type RunningStandIn, startStandIn } from "../../scripts/stand-in";
import { cookieOf, post, somebody } from "../support/person";
import { type RunningServer, startServer } from "../support/server";
import { type DemoStudio, demoStudio } from "../support/studio";

/** Two copies of the program on one database, as behind a proxy; one of them is killed in the middle. */
const WAIT = { timeout: 100_000, interval: 100 };

let studio: DemoStudio;
let standIn: RunningStandIn;
let first: RunningServer;
let second: RunningServer;
beforeAll(async () => {
	buildIfChanged();
	studio = await demoStudio();
	standIn = await startStandIn(await freePort(3));
	first = await startServer(studio.url, { standIn });
	second = await startServer(studio.url, { standIn });
});
afterAll(async () => {
	await Promise.all([first?.end(), second?.end()]);
	await standIn?.stop();
	await studio?.close();
});

/** Processes that hold leases, and how many kilns each. */
async function leases(): Promise<number[]> {
	const rows = await studio.db.execute<{ n: number }>(
		"select count(*)::int as n from kiln_lease where until > now() group by holder",
	);
	return [...rows].map(({ n }) => n);
}

describe("two copies of the program on one database", () => {
	it("each kiln is listened to by one of them; when that one is killed the other takes over; no reading is kept twice", async () => {
		const { kilns } = await studio.see("kilns");
		const lined = kilns.filter(({ card }) => card.line !== null).length;
		await vi.waitFor(async () => expect((await leases()).reduce((a, b) => a + b, 0)).toBe(lined), WAIT);
		const hot = (await studio.see("kilnStrip")).kilns.find(({ state }) => state === "running");
		expect(hot).toBeDefined();
		const live = and(eq(kilnReading.kilnId, hot?.id ?? ""));
		const since = new Date();
		const fresh = async () =>
			(
				await studio.db
					.select({ n: count() })
					.from(kilnReading)
					.where(and(live, gt(kilnReading.at, since)))
			)[0]?.n ?? 0;
		await vi.waitFor(async () => expect(await fresh()).toBeGreaterThan(0), WAIT);
		// Whichever has it: both workers are killed in turn, and the readings go on.
		for (const one of [first, second]) {
			one.jobs.kill("SIGKILL");
			if (one === first) {
				const had = await fresh();
				await vi.waitFor(async () => expect(await fresh()).toBeGreaterThan(had), WAIT);
				expect((await leases()).reduce((a, b) => a + b, 0)).toBe(lined);
			}
		}
	});

	it("a holder that hangs and does not end loses its kilns: the other listens, and takes nothing back when it wakes", async () => {
		const third = await startServer(studio.url, { standIn });
		const holderOf = async () =>
			(
				await studio.db.execute<{ holder: string; n: number }>(
					"select holder::text, count(*)::int as n from kiln_lease where until > now() group by holder",
				)
			).at(0)?.holder;
		try {
			// Only the third is left that can listen; it has all kilns.
			await vi.waitFor(async () => expect(await leases()).toHaveLength(1), WAIT);
			const before = await holderOf();
			const fourth = await startServer(studio.url, { standIn });
			try {
				third.jobs.kill("SIGSTOP");
				await vi.waitFor(async () => {
					const now = await holderOf();
					expect(now).toBeDefined();
					expect(now).not.toBe(before);
				}, WAIT);
				const hot = (await studio.see("kilnStrip")).kilns.find(({ state }) => state === "running");
				const since = new Date();
				await vi.waitFor(async () => {
					const rows = await studio.db
						.select({ n: count() })
						.from(kilnReading)
						.where(and(eq(kilnReading.kilnId, hot?.id ?? ""), gt(kilnReading.at, since)));
					expect(rows[0]?.n).toBeGreaterThan(0);
				}, WAIT);
				third.jobs.kill("SIGCONT");
				await new Promise((done) => setTimeout(done, 6000));
				expect(await leases()).toHaveLength(1);
				expect(await holderOf()).not.toBe(before);
			} finally {
				third.jobs.kill("SIGCONT");
				await fourth.end();
			}
		} finally {
			await third.end();
		}
	});

	it("what is done at one is seen at the other; one that is killed leaves nothing half done", async () => {
		const { email } = await somebody(studio.db, "instructor");
		const cookie = await cookieOf(first.address, email);
		const stream = await fetch(`${second.address}/api/live`, { headers: { Cookie: cookie } });
		let heard = "";
		void (async () => {
			const decoder = new TextDecoder();
			for await (const chunk of stream.body as unknown as AsyncIterable<Uint8Array>) heard += decoder.decode(chunk);
		})().catch(() => {});
		const { session, seats } = await studio.see("bench");
		const unsigned = seats.find(({ safetySigned }) => !safetySigned)?.studentId;
		const sign = (to: RunningServer) =>
			post(to.address, "/api/do/signSafety", { sessionId: session?.id, studentIds: [unsigned] }, { Cookie: cookie });
		// Both have answered it once, and give that answer again until something changes.
		const signedAt = async (at: RunningServer): Promise<boolean> => {
			const seen = await fetch(`${at.address}/api/see/bench`, { headers: { Cookie: cookie } });
			const view = (await seen.json()) as Views["bench"];
			return view.seats.find(({ studentId }) => studentId === unsigned)?.safetySigned === true;
		};
		expect([await signedAt(first), await signedAt(second)]).toEqual([false, false]);
		expect((await sign(first)).status).toBe(200);
		expect(await signedAt(first)).toBe(true);
		await vi.waitFor(() => expect(heard).toContain('"bench"'), WAIT);
		expect(await signedAt(second)).toBe(true);
		await first.end("SIGKILL");
		expect((await sign(second)).status).toBe(200);
		await stream.body?.cancel().catch(() => {});
	});
});
