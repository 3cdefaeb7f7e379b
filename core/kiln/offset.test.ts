import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../tests/support/thorough";
import { buildSchedule } from "../firing/build";
import { demandOf } from "../firing/demand";
import { PLAIN_PIECE } from "../firing/document";
import { flowIndex } from "../firing/flow-index";
import type { FuseLevel } from "../firing/level";
import { levelOf } from "../firing/level";
import { curveOf } from "../firing/schedule";
import { USUAL_PACE } from "../firing/schools";
import { FAMILY_90 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import { type JudgedFiring, proposeOffset } from "./offset";

const viscosity = viscosityOf(FAMILY_90);

/** A firing aimed at a level on a kiln that is really `offK` hotter than it shows, judged by what the glass then becomes. */
function fired(expected: FuseLevel, offK: number, label: string, aim?: number): JudgedFiring {
	const demand = demandOf({ ...PLAIN_PIECE, level: expected }, USUAL_PACE);
	const curve = curveOf(buildSchedule(demand, { family: FAMILY_90, ...(aim && { aim }) }), undefined);
	const felt = curve.map(({ s, c }) => ({ s, c: c + offK }));
	return { label, family: FAMILY_90, curve, expected, judged: levelOf(flowIndex(viscosity, felt)).level ?? "none" };
}

describe("a temperature offset from judged outcomes", () => {
	it("stays where it is while every firing came out as expected", () => {
		const proposal = proposeOffset([fired("tack", 0, "1"), fired("full", 0, "2"), fired("contour", 0, "3")], 0);
		expect(proposal).toMatchObject({ bestK: 0, proposedK: 0, agreeNow: 3, agreeThen: 3 });
	});

	it("finds a kiln that is hotter than it shows, and takes one careful step towards it", () => {
		const proposal = proposeOffset(
			[fired("tack", 20, "1", 0.5), fired("contour", 20, "2", 1.6), fired("tack", 20, "3", 0.7)],
			0,
		);
		expect(proposal?.bestK).toBeGreaterThan(8);
		expect(proposal?.bestK).toBeLessThan(30);
		expect(proposal?.proposedK).toBeGreaterThan(0);
		expect(proposal?.proposedK).toBeLessThanOrEqual(5);
		expect(proposal?.evidence[0]).toMatchObject({ expected: "tack", judged: "contour" });
	});

	it("says nothing from a single firing", () => {
		expect(proposeOffset([fired("tack", 20, "1")], 0)).toBeUndefined();
	});

	it("never moves by more than 5 K at a time, never beyond 30 K, and accepted again and again comes to rest", () => {
		fc.assert(
			fc.property(fc.integer({ min: -25, max: 25 }), fc.constantFrom("tack", "contour", "full"), (offK, level) => {
				const firings = [fired(level, offK, "1"), fired("tack", offK, "2", 0.3)];
				let present = 0;
				for (let i = 0; i < 20; i++) {
					const proposal = proposeOffset(firings, present);
					if (!proposal) return false;
					if (Math.abs(proposal.proposedK - present) > 5 || Math.abs(proposal.proposedK) > 30) return false;
					if (proposal.agreeThen < proposal.agreeNow) return false;
					if (proposal.proposedK === present) return true;
					present = proposal.proposedK;
				}
				return false;
			}),
			{ numRuns: cases(30, 10) },
		);
	});
});
