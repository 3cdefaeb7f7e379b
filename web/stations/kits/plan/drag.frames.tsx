import { it } from "vitest";
import { render } from "vitest-browser-react";
import { largeKit } from "../../../../tests/support/large-kit";
import { PlanOnBench } from "../../../../tests/support/plan-on-bench";
import { FiringChart } from "../../../ui/firing-chart/firing-chart";
import { createKitDraft, DraftProvider } from "../draft";

/** How long a page works for one frame of a drag, ms: printed, and written into docs/benchmarks.md by hand. Asserts nothing. */
const FRAMES = 120;
/** A pointer's event and all the work that follows from it in the next task, ms. */
async function fire(target: Element, type: string, x: number, y: number): Promise<number> {
	const { port1, port2 } = new MessageChannel();
	const worked = new Promise((done) => {
		port1.onmessage = done;
	});
	const from = performance.now();
	target.dispatchEvent(new PointerEvent(type, { bubbles: true, clientX: x, clientY: y, pointerId: 1, button: 0 }));
	port2.postMessage(null);
	await worked;
	return performance.now() - from;
}
async function frames(move: (i: number) => Promise<number>): Promise<number[]> {
	const all: number[] = [];
	for (let i = 0; i < FRAMES; i++) all.push(await move(i));
	return all;
}
const median = (all: number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;
const say = (what: string, all: number[]) =>
	console.log(`${what}: median ${median(all).toFixed(2)} ms, slowest ${Math.max(...all).toFixed(2)} ms`);

it.each([150, 400])("a drag of one of %i parts", async (parts) => {
	const draft = createKitDraft(largeKit(parts));
	const screen = await render(
		<div style={{ width: 700, height: 600 }}>
			<DraftProvider value={draft}>
				<PlanOnBench />
			</DraftProvider>
		</div>,
	);
	const svg = screen.getByTestId("plan").element();
	svg.setPointerCapture = () => {};
	const one = svg.querySelectorAll("[data-part]")[20] as Element;
	const box = one.getBoundingClientRect();
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	await fire(one, "pointerdown", x, y);
	const times = await frames((i) => fire(svg, "pointermove", x + i, y + (i % 7)));
	if (!one.getAttribute("transform")) throw new Error("Nothing was dragged.");
	await fire(svg, "pointerup", x + FRAMES, y);
	say(`drag of one of ${parts} parts`, times);
});

it("a cross-hair over six lines of 1500 points", async () => {
	const points = Array.from({ length: 1500 }, (_, i) => ({ s: i * 60, c: 20 + 700 * Math.sin(i / 500) ** 2 }));
	const kinds = ["plan", "simulated", "top", "core", "shelf", "measured"] as const;
	const screen = await render(
		<FiringChart width={690} height={236} series={kinds.map((kind) => ({ name: kind, points, kind }))} summary="s" />,
	);
	const svg = screen.getByRole("img").element();
	const { left, top } = svg.getBoundingClientRect();
	say("cross-hair over 6 × 1500 points", await frames((i) => fire(svg, "pointermove", left + 60 + i * 4, top + 80)));
	if (!svg.textContent?.includes("plan ")) throw new Error("There is no cross-hair.");
});
