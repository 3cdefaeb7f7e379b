import { beforeEach, describe, expect, it, vi } from "vitest";
import { render } from "vitest-browser-react";
import { largeKit } from "../../../../tests/support/large-kit";
import { PlanOnBench } from "../../../../tests/support/plan-on-bench";
import { regionPath } from "../../../ui/region-path";
import { createKitDraft, DraftProvider, type KitDraftStore } from "../draft";

vi.mock("../../../ui/region-path", { spy: true });

let draft: KitDraftStore;

async function bench() {
	const screen = await render(
		<div style={{ width: 700, height: 600 }}>
			<DraftProvider value={draft}>
				<PlanOnBench />
			</DraftProvider>
		</div>,
	);
	const svg = screen.getByTestId("plan").element() as SVGSVGElement;
	svg.setPointerCapture = () => {};
	const part = svg.querySelectorAll("[data-part]")[5] as SVGPathElement;
	const { x, y, width, height } = part.getBoundingClientRect();
	const point = (type: string, dx = 0, target: Element = svg) => {
		const at = { clientX: x + width / 2 + dx, clientY: y + height / 2 };
		target.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, button: 0, ...at }));
		// What follows from it is done in the task after, before this message comes.
		const { port1, port2 } = new MessageChannel();
		const worked = new Promise((done) => {
			port1.onmessage = done;
		});
		port2.postMessage(null);
		return worked;
	};
	return { svg, part, point, id: part.dataset.part ?? "" };
}
const xOf = (id: string) => draft.getState().document.parts.find((part) => part.id === id)?.xMm;

beforeEach(() => {
	draft = createKitDraft(largeKit(30));
});

describe("a drag on the plan", () => {
	it("draws only what moves: no other part's outline is made anew", async () => {
		const { part, point, id } = await bench();
		await point("pointerdown", 0, part);
		await point("pointermove", 20);
		vi.mocked(regionPath).mockClear();
		for (let i = 0; i < 10; i++) await point("pointermove", 20 + i * 4);
		await expect.poll(() => part.getAttribute("transform")).toMatch(/^translate\(\d/);
		expect(regionPath).not.toHaveBeenCalled();
		expect(document.querySelectorAll("[data-part][transform]")).toHaveLength(1);
		const before = xOf(id) ?? 0;
		await point("pointerup", 56);
		await expect.poll(() => xOf(id)).toBeGreaterThan(before);
		expect(draft.temporal.getState().pastStates).toHaveLength(1);
	});

	it("that the browser gives up changes nothing", async () => {
		const { part, point, id } = await bench();
		const before = xOf(id);
		await point("pointerdown", 0, part);
		await point("pointermove", 40);
		await point("pointercancel", 40);
		await expect.poll(() => part.getAttribute("transform")).toBeNull();
		await point("pointerup", 40);
		expect(xOf(id)).toBe(before);
		expect(draft.temporal.getState().pastStates).toHaveLength(0);
	});
});
