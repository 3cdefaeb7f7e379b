import type { MinuteSpan, PlanInput, PlanPiece, PlanWeights } from "@core/loading/plan/types";
import loadSolver from "highs";

interface Looks {
	/** Minutes until a load may be opened. */
	hours(kiln: number, jobs: readonly number[]): number;
	/** Hours that its pieces are annealed beyond need. */
	over(kiln: number, jobs: readonly number[]): number;
	fits(kiln: number, jobs: readonly number[]): boolean;
	slackMin: number;
	turnoverMin: number;
}

/** A way to fire some pieces on one kiln: when it is free after it, and what it costs. */
interface Way {
	freeMin: number;
	cost: number;
}

/**
 * The least that any plan of a tiny case costs, proved: for every kiln and every set of pieces the cheapest row of loads by dynamic
 * programming over (set, when the kiln is free again), keeping every way that no other beats in both; then one set a kiln so that
 * each piece is fired once or left out, by a mixed-integer program (HiGHS, its own solver). Its own decoder and prices, no line of
 * the planner's. One firing a piece, no class, no mould, one tray.
 */
export async function exactPlanCost(input: PlanInput, weights: PlanWeights, looks: Looks): Promise<number> {
	const n = input.pieces.length;
	const all = 1 << n;
	const columns = [...input.kilns.keys()].flatMap((kiln) =>
		waysOf(input, kiln, weights, looks).flatMap((ways, set) => {
			const least = Math.min(...ways.map(({ cost }) => cost));
			return set > 0 && set < all && Number.isFinite(least) ? [{ kiln, set, cost: least }] : [];
		}),
	);
	const left = input.pieces.map(
		({ promisedMin }) => weights.leftOut + (promisedMin === null ? 0 : weights.brokenPromise),
	);
	const terms = [
		...columns.map(({ cost }, i) => `${cost.toFixed(9)} x${i}`),
		...left.map((cost, p) => `${cost} l${p}`),
	];
	const rows = [
		...input.pieces.map((_, p) => {
			const its = columns.flatMap(({ set }, i) => (set & (1 << p) ? [`x${i}`] : []));
			return ` p${p}: ${[...its, `l${p}`].join(" + ")} = 1`;
		}),
		...input.kilns.map((_, kiln) => {
			const its = columns.flatMap((one, i) => (one.kiln === kiln ? [`x${i}`] : []));
			return ` k${kiln}: ${its.join(" + ") || "0 l0"} <= 1`;
		}),
	];
	const names = [...columns.map((_, i) => `x${i}`), ...left.map((_, p) => `l${p}`)];
	const solver = await loadSolver();
	// Its reader takes lines of a few hundred characters: a long sum is broken up.
	const wrapped = (line: string) => line.replace(/(.{1,200}?)( \+ )/g, "$1\n +");
	const model = ["Minimize", wrapped(` obj: ${terms.join(" + ")}`), "Subject To", ...rows.map(wrapped), "Binary"];
	const found = solver.solve([...model, names.map((name) => ` ${name}`).join("\n"), "End"].join("\n"));
	if (found.Status !== "Optimal") throw new Error(`not proved: ${found.Status}`);
	return found.ObjectiveValue;
}

/** By the set's bits: every way to fire just these pieces on a kiln that no other beats. */
function waysOf(input: PlanInput, kiln: number, weights: PlanWeights, looks: Looks): Way[][] {
	const all = 1 << input.pieces.length;
	const jobsOf = (set: number) => [...input.pieces.keys()].filter((p) => set & (1 << p));
	const loads = Array.from({ length: all }, (_, set) => {
		const jobs = jobsOf(set);
		if (jobs.length === 0 || !looks.fits(kiln, jobs)) return undefined;
		const readyMin = Math.max(...jobs.map((job) => (input.pieces[job] as PlanPiece).readyMin));
		const fixed = weights.firing + weights.overAnnealHour * looks.over(kiln, jobs);
		return { jobs, readyMin, fixed, hours: looks.hours(kiln, jobs) };
	});
	const ways: Way[][] = Array.from({ length: all }, () => []);
	ways[0] = [{ freeMin: 0, cost: 0 }];
	for (let set = 1; set < all; set++) {
		const found: Way[] = [];
		// The last load is every part of the set in turn.
		for (let part = set; part > 0; part = (part - 1) & set) {
			const load = loads[part];
			if (!load) continue;
			for (const { freeMin, cost } of ways[set ^ part] ?? []) {
				const start = next(input.mayStart, Math.max(freeMin, load.readyMin));
				if (start > input.horizonMin) continue;
				const open = next(input.there, start + load.hours + looks.slackMin);
				if (!Number.isFinite(open)) continue;
				const homes = load.jobs.reduce((sum, job) => sum + homeCost(input.pieces[job] as PlanPiece, open, weights), 0);
				found.push({ freeMin: open + looks.turnoverMin, cost: cost + load.fixed + homes });
			}
		}
		found.sort((a, b) => a.freeMin - b.freeMin || a.cost - b.cost);
		let least = Number.POSITIVE_INFINITY;
		ways[set] = found.filter(({ cost }) => {
			if (cost >= least - 1e-12) return false;
			least = cost;
			return true;
		});
	}
	return ways;
}

function homeCost({ promisedMin, tailMin }: PlanPiece, openMin: number, weights: PlanWeights): number {
	const home = openMin + tailMin;
	const late = promisedMin === null ? 0 : Math.max(0, home - promisedMin);
	return (weights.waitingHour * home) / 60 + (late > 0 ? weights.brokenPromise + (weights.dayLate * late) / 1440 : 0);
}

const next = (spans: readonly MinuteSpan[], at: number): number =>
	Math.min(...spans.map(({ from, to }) => (at < to ? Math.max(at, from) : Number.POSITIVE_INFINITY)));
