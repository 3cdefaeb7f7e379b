import type { FuseLevel } from "../../firing/level";
import { type AtLeast, atLeast } from "./at-least";
import { movedIn, type PlanProblem, pieceAt } from "./problem";
import type { Plan, PlanFigures, PlanLoad, PlanWeights } from "./types";
import { type Help, type LeftWhy, whyLeft, wouldHelp } from "./would-help";

/** A planned firing as it is shown. Instants ms. */
export interface ShownLoad {
	key: string;
	kilnId: string;
	level: FuseLevel;
	familyId: string;
	pieceIds: string[];
	/** The announced firing that it is, unchanged: kiln, hour and pieces. Null: a proposal. */
	announcedId: string | null;
	/** On so many shelves. */
	shelves: number;
	/** All its pieces wait for this firing; in others some come out of an earlier one of the plan. */
	isFirst: boolean;
	startMs: number;
	peakMs: number;
	soakMs: number;
	doneMs: number;
	coolMs: number;
	openMs: number;
	/** Glass over the usable shelf, 0 to 1. */
	fill: number;
	kwh: number;
}

/** A plan as it is shown. */
export interface ShownPlan {
	loads: ShownLoad[];
	/** When each piece is home, ms, by its id. */
	homeMs: Record<string, number>;
	figures: Omit<PlanFigures, "lastHomeMin"> & { lastHomeMs: number | null };
	/** No plan of the same pieces does with less. */
	atLeast: AtLeast;
	/** Why a piece has no place, by its id. */
	why: Record<string, LeftWhy>;
	help: ShownHelp[];
}

export type ShownHelp =
	| { kind: "open"; fromMs: number; toMs: number; promises: number; lastH: number }
	| { kind: "mould"; mouldId: string; promises: number; lastH: number }
	| { kind: "leaveOut"; pieceId: string; kilnId: string; hours: number; thickMm: number }
	| { kind: "tooSoon"; pieceId: string; soonestMs: number };

const MINUTE = 60_000;

/** A plan with instants for minutes and names for numbers, and what would help it. */
export function shownPlan(problem: PlanProblem, plan: Plan, weights: PlanWeights, fromMs: number): ShownPlan {
	const at = (min: number) => fromMs + min * MINUTE;
	const { kilns } = problem.input;
	const { lastHomeMin, ...figures } = plan.figures;
	return {
		loads: plan.loads.map(({ kiln, jobs, startMin, coolMin, openMin, doneMin, kwh }) => {
			const first = problem.jobs[jobs[0] as number];
			const { peakMin, soakMin } = problem.hours.of(kiln, jobs);
			return {
				key: `${kilns[kiln]?.id} ${startMin}`,
				kilnId: kilns[kiln]?.id ?? "",
				level: first?.toFire.level ?? "full",
				familyId: first?.familyId ?? "",
				pieceIds: jobs.map((job) => pieceAt(problem, job).id),
				announcedId: unchanged(problem, { kiln, jobs }, startMin),
				shelves: Math.max(1, problem.fit.shelvesOf(kiln, jobs)),
				isFirst: jobs.every((job) => (problem.before[job] as number) < 0),
				startMs: at(startMin),
				peakMs: at(startMin + peakMin),
				soakMs: at(startMin + soakMin),
				doneMs: at(doneMin),
				coolMs: at(coolMin),
				openMs: at(openMin),
				fill: problem.fit.fillOf(kiln, jobs),
				kwh,
			};
		}),
		homeMs: Object.fromEntries(Object.entries(plan.homeMin).map(([id, min]) => [id, at(min)])),
		figures: { ...figures, lastHomeMs: lastHomeMin === null ? null : at(lastHomeMin) },
		atLeast: atLeast(
			problem,
			plan.loads.flatMap(({ jobs }) => jobs),
			weights.mixBands,
		),
		why: Object.fromEntries(figures.left.map((id) => [id, whyLeft(problem, plan, id)])),
		help: wouldHelp(problem, plan, weights).map((help) => shownHelp(help, problem, plan, at)),
	};
}

/** The id of the announced firing that a load is, where nothing of it changes. */
function unchanged(problem: PlanProblem, load: PlanLoad, startMin: number): string | null {
	const { announcedOf, input } = problem;
	const index = announcedOf[load.jobs[0] as number] as number;
	const its = input.announced?.[index];
	const isSame =
		its?.pieceIds.length === load.jobs.length &&
		load.jobs.every((job) => announcedOf[job] === index) &&
		movedIn(problem, load, startMin).length === 0;
	return isSame ? its.id : null;
}

function shownHelp(help: Help, { input }: PlanProblem, plan: Plan, at: (min: number) => number): ShownHelp {
	if (help.kind === "open") {
		const { span, ...gains } = help;
		return { ...gains, fromMs: at(span.from), toMs: at(span.to) };
	}
	if (help.kind === "mould") return help;
	if (help.kind === "tooSoon") return { kind: "tooSoon", pieceId: help.pieceId, soonestMs: at(help.soonestMin) };
	const { load, ...rest } = help;
	return { ...rest, kilnId: input.kilns[plan.loads[load]?.kiln ?? -1]?.id ?? "" };
}
