import { describe, expect, it } from "vitest";
import { wrongWithPlan } from "../../../tests/support/plan-checker";
import { planStudio } from "../../../tests/support/plan-studio";
import { someOf } from "../../../tests/support/thorough";
import { SLACK_MIN } from "./decode";
import { problemOf } from "./problem";
import { searchPlan } from "./search";
import { shownPlan } from "./shown";
import type { Plan, PlanAnnounced, PlanInput } from "./types";
import { PLAN_WEIGHTS } from "./weights";

const ROUNDS = 30;
const planned = (input: PlanInput): Plan => {
	let plan: Plan | undefined;
	for (plan of searchPlan(problemOf(input), PLAN_WEIGHTS.soonest, ROUNDS));
	if (!plan) throw new Error("no plan");
	return plan;
};

/** A studio whose plan was announced: first firings only, as people do. */
function announcedStudio(seed: number, pieces: number) {
	const whole = planStudio(seed, { pieces: pieces + 3, kilns: 2 });
	const before = { ...whole, pieces: whole.pieces.slice(0, pieces) };
	const problem = problemOf(before);
	const announced = planned(before).loads.flatMap(({ kiln, jobs, startMin }, i): PlanAnnounced[] => {
		const isFirst = jobs.every((job) => (problem.before[job] as number) < 0);
		const ids = jobs.map((job) => before.pieces[problem.pieceOf[job] as number]?.id ?? "");
		return isFirst ? [{ id: `f${i}`, kiln, startMin, pieceIds: ids }] : [];
	});
	return { whole, announced };
}

/** Which pieces lie elsewhere or at another hour than was announced, by nothing but the lists. */
function movedBy(input: PlanInput, plan: Plan, announced: readonly PlanAnnounced[]): string[] {
	const { pieceOf, before } = problemOf(input);
	return announced.flatMap(({ kiln, startMin, pieceIds }) =>
		pieceIds.filter((id) => {
			const its = plan.loads.find(({ jobs }) =>
				jobs.some((job) => (before[job] as number) < 0 && input.pieces[pieceOf[job] as number]?.id === id),
			);
			return !its || its.kiln !== kiln || Math.abs(its.startMin - startMin) > 60;
		}),
	);
}

describe("planned anew after something was announced", () => {
	it.each(someOf([1, 2, 6, 3, 4, 5], 2))(
		"studio %i: with three pieces more, less moves than where nobody counts it",
		(seed) => {
			const { whole, announced } = announcedStudio(seed, 20);
			const input = { ...whole, announced };
			const plan = planned(input);
			expect(wrongWithPlan(input, plan, false, SLACK_MIN)).toEqual([]);
			expect([...plan.figures.moved].sort()).toEqual(movedBy(input, plan, announced).sort());
			const free = movedBy(whole, planned(whole), announced);
			expect(plan.figures.moved.length).toBeLessThanOrEqual(free.length);
			expect(plan.figures.moved.length).toBeLessThanOrEqual(announced.flatMap(({ pieceIds }) => pieceIds).length / 4);
		},
	);

	it("the same pieces: nothing moves, and every firing is told as the one that was announced", () => {
		const { whole, announced } = announcedStudio(2, 20);
		const input = { ...whole, pieces: whole.pieces.slice(0, 20), announced };
		const problem = problemOf(input);
		const plan = planned(input);
		expect(plan.figures.moved).toEqual([]);
		const shown = shownPlan(problem, plan, PLAN_WEIGHTS.soonest, 0);
		expect(shown.loads.flatMap(({ announcedId }) => announcedId ?? []).sort()).toEqual(
			announced.map(({ id }) => id).sort(),
		);
	});

	it("a kiln that is out of service gives what was announced in it to the other", () => {
		const { whole, announced } = announcedStudio(3, 14);
		const closed = announced[0]?.kiln ?? 0;
		const kilns = whole.kilns.map((kiln, i) =>
			i === closed ? { ...kiln, booked: [{ from: 0, to: Number.POSITIVE_INFINITY }] } : kiln,
		);
		const input = { ...whole, kilns, announced };
		const plan = planned(input);
		expect(wrongWithPlan(input, plan, false, SLACK_MIN)).toEqual([]);
		expect(plan.loads.every(({ kiln }) => kiln !== closed)).toBe(true);
		const theirs = announced.filter(({ kiln }) => kiln === closed).flatMap(({ pieceIds }) => pieceIds);
		expect(plan.figures.moved).toEqual(expect.arrayContaining(theirs));
		expect(theirs.some((id) => plan.homeMin[id] !== undefined)).toBe(true);
	});
});
