import { randomUUID } from "node:crypto";
import { pieceEvent } from "@db/schema";
import { afterAll, beforeAll, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { cookieOf, post, somebody } from "../support/person";
import { type RunningServer, startServer } from "../support/server";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let server: RunningServer;
beforeAll(async () => {
	buildIfChanged();
	studio = await demoStudio();
	server = await startServer(studio.url);
});
afterAll(async () => {
	await server.end();
	await studio.close();
});

it("a server killed in the middle of hand-ins loses none that it acknowledged, and a repeat counts once", async () => {
	const { address, port } = server;
	const { email } = await somebody(studio.db, "instructor");
	const cookie = await cookieOf(address, email);
	const { session, seats, kits } = await studio.see("bench");
	const students = seats.map(({ studentId }) => studentId);
	const issues = Array.from({ length: 48 }, (_, i) => ({
		pieceId: randomUUID(),
		eventId: randomUUID(),
		studentId: students[i % students.length] ?? "",
	}));
	await studio.act("issueKits", { sessionId: session?.id ?? "", kitId: kits[0]?.id ?? "", promisedDay: null, issues });
	const handIn = (pieceId: string, eventId: string) =>
		post(
			address,
			"/api/do/handIn",
			{
				pieceId,
				eventId,
				seq: 1,
				asMade: { widthMm: 96, heightMm: 96, thickestMm: 6, thinnestMm: 6, massG: null, changed: "" },
				glue: "none",
				level: "full",
			},
			{ Cookie: cookie },
		);

	const acknowledged: { pieceId: string; eventId: string }[] = [];
	const sent: { pieceId: string; eventId: string }[] = [];
	const sending = issues.map(async ({ pieceId }, i) => {
		await new Promise((done) => setTimeout(done, i * 12));
		const event = { pieceId, eventId: randomUUID() };
		sent.push(event);
		const ok = await handIn(event.pieceId, event.eventId).then(
			(response) => response.ok,
			() => false,
		);
		if (ok) acknowledged.push(event);
		if (acknowledged.length === 12) server.process.kill("SIGKILL");
	});
	await Promise.all(sending);
	expect(acknowledged.length).toBeGreaterThanOrEqual(12);
	expect(acknowledged.length).toBeLessThan(48);

	await server.end("SIGKILL");
	server = await startServer(studio.url, { port });
	const kept = await studio.db.select({ id: pieceEvent.id }).from(pieceEvent);
	const ids = new Set(kept.map(({ id }) => id));
	for (const { eventId } of acknowledged) expect(ids.has(eventId)).toBe(true);

	// The browser sends everything again that it has no answer for, and, in doubt, what it has.
	for (const { pieceId, eventId } of sent) expect((await handIn(pieceId, eventId)).status).toBe(200);
	const after = await studio.db
		.select({ id: pieceEvent.id, pieceId: pieceEvent.pieceId, data: pieceEvent.data })
		.from(pieceEvent);
	for (const { pieceId } of sent) {
		expect(after.filter((event) => event.pieceId === pieceId && event.data.type === "handedIn")).toHaveLength(1);
	}
});
