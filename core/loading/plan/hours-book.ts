import { buildSchedule } from "../../firing/build";
import { type Demand, demandOf } from "../../firing/demand";
import { peakOf, type Schedule, type SegmentName, scheduleHours } from "../../firing/schedule";
import type { GlassFamily } from "../../glass/family";
import { simulateFiring } from "../../kiln/simulate";
import { loadHeat } from "../load-heat";
import { usableMm2 } from "../shelf";
import { mostTiers } from "../tiers";
import type { PlanInput, PlanJob, PlanKiln } from "./types";

/** How long a firing takes on a kiln. */
export interface FiringHours {
	/** Until it may be opened, min. */
	openMin: number;
	/** Until the peak is over, and until the anneal soak is, min. */
	peakMin: number;
	soakMin: number;
	/** Until the controller is done, min. */
	doneMin: number;
	kwh: number;
}

/** A step of so many seconds is fine enough for a plan: the opening differs by minutes. */
const STEP_S = 120;
/** Glass is counted in such steps, upwards: it holds heat, and a full kiln cools later. */
const HEAT_STEP_J_PER_K = 500;

/** A shelf is taken for full at such a share of glass: a second one is counted with, which holds heat too. Common practice, no source. */
const FULL_SHARE = 0.6;

/** Hours of firings by what they ask for: a schedule is built and simulated once for every kiln and merged demand. */
export class HoursBook {
	private readonly known = new Map<string, FiringHours>();
	private readonly demands: Demand[];
	/** By kiln, family, level and the hold that lets air out: a first ramp moves the peak by less than a degree. */
	private readonly peaks = new Map<string, number>();
	/** By the list itself: loads that stay are looked up without being merged again. */
	private readonly ofList = new WeakMap<readonly number[], { kiln: number; hours: FiringHours; overH: number }>();

	constructor(
		private readonly input: Pick<PlanInput, "kilns" | "families" | "schools">,
		private readonly jobs: readonly PlanJob[],
	) {
		this.demands = jobs.map(({ toFire }) => demandOf(toFire, input.schools));
	}

	/** What one job asks for by itself. */
	demandAt = (job: number): Demand => this.demands[job] as Demand;

	/** The gentlest wish for each part over some jobs of one level. */
	merged(jobs: readonly number[]): Demand {
		const first = this.demandAt(jobs[0] as number);
		const all = { ...first };
		for (const job of jobs) {
			const one = this.demandAt(job);
			if (rateOf(one) < rateOf(all)) all.firstRampCPerH = one.firstRampCPerH;
			all.airMin = Math.max(all.airMin, one.airMin);
			all.soakMin = Math.max(all.soakMin, one.soakMin);
			all.coolCPerH = Math.min(all.coolCPerH, one.coolCPerH);
		}
		return all;
	}

	/** Hours that pieces of a load are annealed longer than they need, summed. */
	overAnnealH = (kiln: number, jobs: readonly number[]): number => this.looked(kiln, jobs).overH;

	/** @param kiln its index */
	of = (kiln: number, jobs: readonly number[]): FiringHours => this.looked(kiln, jobs).hours;

	private looked(kiln: number, jobs: readonly number[]) {
		const known = this.ofList.get(jobs);
		if (known?.kiln === kiln) return known;
		const all = annealHours(this.merged(jobs));
		const overH = jobs.reduce((sum, job) => sum + all - annealHours(this.demandAt(job)), 0);
		const made = { kiln, hours: this.simulated(kiln, jobs), overH };
		this.ofList.set(jobs, made);
		return made;
	}

	/** The peak that a job needs on a kiln, °C. */
	peakC = (kiln: number, job: number): number =>
		peakOf(this.scheduleFor(kiln, (this.jobs[job] as PlanJob).familyId, this.demandAt(job)));

	private scheduleFor(kiln: number, familyId: string, demand: Demand): Schedule {
		const family = this.input.families.find(({ id }) => id === familyId) as GlassFamily;
		const { soak, heat, dots } = this.input.schools;
		const body = (this.input.kilns[kiln] as PlanKiln).body;
		const key = `${kiln} ${familyId} ${demand.level} ${demand.airMin} ${demand.firstRampCPerH === "full"}`;
		const schedule = buildSchedule(demand, {
			...{ family, kiln: body, soakSchool: soak, peakC: this.peaks.get(key) },
			...(heat && { heat }),
			...(dots && { dots }),
		});
		this.peaks.set(key, peakOf(schedule));
		return schedule;
	}

	/** How many shelves some jobs are likely to take, before they are laid. */
	private shelvesFor(kiln: number, jobs: readonly number[]): number {
		const its = this.input.kilns[kiln] as PlanKiln;
		const glassMm2 = jobs.reduce((sum, job) => sum + (this.jobs[job]?.form.areaMm2 ?? 0), 0);
		return Math.min(mostTiers(its), Math.max(1, Math.ceil(glassMm2 / (FULL_SHARE * usableMm2(its.shelf)))));
	}

	private simulated(kiln: number, jobs: readonly number[]): FiringHours {
		const demand = this.merged(jobs);
		const first = this.jobs[jobs[0] as number] as PlanJob;
		const thickestMm = jobs.reduce((most, job) => Math.max(most, this.jobs[job]?.toFire.thickestMm ?? 0), 0);
		const thicknessMm = Math.ceil(thickestMm);
		const { level, firstRampCPerH, airMin, soakMin, coolCPerH } = demand;
		const glassJPerK = jobs.reduce((sum, job) => sum + (this.jobs[job]?.glassJPerK ?? 0), 0);
		const heat = Math.ceil(glassJPerK / HEAT_STEP_J_PER_K) * HEAT_STEP_J_PER_K;
		const shelves = this.shelvesFor(kiln, jobs);
		const asked = [level, firstRampCPerH, airMin, soakMin, coolCPerH, thicknessMm, heat, shelves];
		const key = [kiln, first.familyId, ...asked].join(" ");
		const known = this.known.get(key);
		if (known) return known;
		const its = this.input.kilns[kiln] as PlanKiln;
		const family = this.input.families.find(({ id }) => id === first.familyId) as GlassFamily;
		const schedule = this.scheduleFor(kiln, first.familyId, demand);
		const simulation = simulateFiring({
			...{ kiln: its.body, schedule, family, thicknessMm, dtS: STEP_S, sampleEveryS: Number.POSITIVE_INFINITY },
			loadJPerK: heat + loadHeat([], its.shelf, { shelves }).loadJPerK,
		});
		const endOf = (name: SegmentName) => {
			const i = schedule.segments.findLastIndex((one) => one.name === name);
			return Math.ceil((simulation.segmentEndS[i] ?? 0) / 60);
		};
		const hours = {
			openMin: Math.ceil(simulation.openS / 60),
			peakMin: endOf("peak"),
			soakMin: endOf("drop"),
			doneMin: Math.ceil(scheduleHours(schedule, its.body) * 60),
			kwh: simulation.kwh,
		};
		this.known.set(key, hours);
		return hours;
	}
}

const rateOf = ({ firstRampCPerH }: Demand): number =>
	firstRampCPerH === "full" ? Number.POSITIVE_INFINITY : firstRampCPerH;

/** Hours of annealing and slow cooling that a demand asks for: down by 55 K, by 55 K faster, and the rest at the last rate. */
export const annealHours = ({ soakMin, coolCPerH }: Demand): number =>
	soakMin / 60 + (55 + 55 / 1.8) / coolCPerH + 320 / Math.min(330, 6 * coolCPerH);
