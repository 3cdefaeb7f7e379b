import { newSchedule, withSegment } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { describe, expect, it } from "vitest";
import { createDraft } from "../../ui/kept/draft";

const onBench = (now?: () => number) => createDraft(newSchedule("test", FAMILY_90, undefined), () => ({}), now);

const peakOf = (store: ReturnType<typeof onBench>) => store.getState().document.segments[1]?.targetC;

describe("the schedule on the bench", () => {
	it("undoes a drag as one step and redoes it", () => {
		let ms = 0;
		const store = onBench(() => ms);
		const first = peakOf(store);
		for (let c = 790; c < 800; c++) {
			ms += 20;
			store.getState().edit((document) => withSegment(document, 1, { targetC: c }), "peak");
		}
		ms += 5000;
		store.getState().edit((document) => withSegment(document, 1, { targetC: 811 }), "peak");
		store.temporal.getState().undo();
		expect(peakOf(store)).toBe(799);
		store.temporal.getState().undo();
		expect(peakOf(store)).toBe(first);
		store.temporal.getState().redo();
		store.temporal.getState().redo();
		expect(peakOf(store)).toBe(811);
	});

	it("counts a change that changes nothing as none", () => {
		const store = onBench();
		store.getState().edit((document) => document);
		expect(store.temporal.getState().pastStates).toHaveLength(0);
	});
});
