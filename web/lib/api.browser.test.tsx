import { QueryClientProvider } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { render } from "vitest-browser-react";
import { newQueryClient, useAct, useView } from "./api";

/** The studio's side of the wire, as far as a page can tell: a question waits until the test answers it. */
const wire = {
	version: 0,
	/** Answers at once; held back otherwise. */
	prompt: true,
	waiting: [] as (() => void)[],
	asked: 0,
	aborted: 0,
	sent: [] as Record<string, unknown>[],
	failNext: false,
};
/** Answers the question that has waited longest. */
const answerNext = () => wire.waiting.shift()?.();
const others = new BroadcastChannel("zephyr-live");
/** What another tab passes on from the stream. */
const change = () => {
	wire.version++;
	others.postMessage({ views: ["today"] });
};
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function answer(url: string, init?: RequestInit): Promise<Response> {
	if (url.startsWith("/api/do/")) {
		wire.sent.push(JSON.parse(String(init?.body)));
		if (wire.failNext) {
			wire.failNext = false;
			throw new TypeError("the network is gone");
		}
		wire.version++;
		return new Response("{}", { headers: { "X-Zephyr-Views": "today" } });
	}
	wire.asked++;
	const { version } = wire;
	await new Promise<void>((done, fail) => {
		if (wire.prompt) done();
		else wire.waiting.push(done);
		init?.signal?.addEventListener("abort", () => {
			wire.aborted++;
			fail(new DOMException("", "AbortError"));
		});
	});
	return new Response(JSON.stringify({ version }));
}

beforeEach(() => {
	Object.assign(wire, { version: 1, prompt: true, waiting: [], asked: 0, aborted: 0, sent: [], failNext: false });
	vi.stubGlobal(
		"EventSource",
		class extends EventTarget {
			close() {}
		},
	);
	vi.stubGlobal("fetch", (url: string, init?: RequestInit) => answer(url, init));
});
afterEach(() => vi.unstubAllGlobals());

const Page = ({ children }: { children: ReactNode }) => (
	<QueryClientProvider client={newQueryClient()}>{children}</QueryClientProvider>
);
function Shown() {
	const { data } = useView("today", {});
	return <output>{String((data as { version?: number } | undefined)?.version ?? "nothing")}</output>;
}
function Noting() {
	const note = useAct("note");
	return (
		<>
			<button type="button" onClick={() => note.send((id) => ({ pieceId: "p", eventId: id(), note: "a note" }))}>
				Note
			</button>
			<button type="button" onClick={() => note.mutate({ pieceId: "p", eventId: "e", note: Number.NaN as never })}>
				Unreadable
			</button>
			<p>{note.error?.message}</p>
		</>
	);
}

describe("a view that is shown", () => {
	it("gets through however fast changes come and however late answers are: none is aborted, one more is asked, the last is shown", async () => {
		const screen = await render(
			<Page>
				<Shown />
			</Page>,
		);
		const shown = screen.getByRole("status");
		await expect.element(shown).toHaveTextContent("1");
		wire.prompt = false;
		wire.asked = 0;
		for (let round = 1; round <= 3; round++) {
			for (let i = 0; i < 20; i++) {
				change();
				await wait(2);
			}
			await expect.poll(() => wire.waiting.length).toBe(1);
			answerNext();
			await expect.poll(() => wire.asked).toBeGreaterThan(round);
		}
		wire.prompt = true;
		answerNext();
		await expect.element(shown).toHaveTextContent("61");
		expect(wire.aborted).toBe(0);
		expect(wire.asked).toBeLessThan(7); // not one a change: one under way and one more, three times
	});

	it("does not bring back what was before its own action", async () => {
		const screen = await render(
			<Page>
				<Shown />
				<Noting />
			</Page>,
		);
		const shown = screen.getByRole("status");
		await expect.element(shown).toHaveTextContent("1");
		wire.prompt = false;
		others.postMessage({ views: ["today"] }); // asked now, of version 1
		await expect.poll(() => wire.waiting.length).toBe(1);
		wire.prompt = true;
		await screen.getByRole("button", { name: "Note" }).click();
		await expect.element(shown).toHaveTextContent("2");
		answerNext(); // the old answer comes at last
		await wait(50);
		await expect.element(shown).toHaveTextContent("2");
	});
});

describe("an action", () => {
	it("is the same event until the server has answered, and another one afterwards", async () => {
		const screen = await render(
			<Page>
				<Noting />
			</Page>,
		);
		const press = () => screen.getByRole("button", { name: "Note" }).click();
		wire.failNext = true;
		await press();
		await expect.element(screen.getByText(/The server cannot be reached/)).toBeVisible();
		await press();
		await expect.poll(() => wire.sent.length).toBe(2);
		await expect.element(screen.getByText(/The server cannot be reached/)).not.toBeInTheDocument();
		await press();
		await expect.poll(() => wire.sent.length).toBe(3);
		const ids = wire.sent.map(({ eventId }) => eventId);
		expect(ids[1]).toBe(ids[0]);
		expect(ids[2]).not.toBe(ids[0]);
	});

	it("is not sent with a number nobody can read: its field is named", async () => {
		const screen = await render(
			<Page>
				<Noting />
			</Page>,
		);
		await screen.getByRole("button", { name: "Unreadable" }).click();
		await expect.element(screen.getByText(/number/)).toBeVisible();
		expect(wire.sent).toEqual([]);
	});
});
