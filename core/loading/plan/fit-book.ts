import { layOutlines } from "../outlines/lay-outlines";
import { Templates } from "../outlines/templates";
import { usableMm2 } from "../shelf";
import type { PlanInput, PlanJob, PlanKiln } from "./types";

/** Whether pieces fit a shelf together: packed once for every set of forms. */
export class FitBook {
	private readonly known = new Map<string, boolean>();
	private readonly templates: Templates[];
	private readonly usable: number[];
	/** Jobs of one form have one number. */
	private readonly kinds: number[];

	constructor(
		private readonly input: Pick<PlanInput, "kilns" | "schools">,
		private readonly jobs: readonly PlanJob[],
	) {
		this.templates = input.kilns.map(({ shelf }) => new Templates(shelf, input.schools.clearanceMm));
		this.usable = input.kilns.map(({ shelf }) => usableMm2(shelf));
		const keys = [...new Set(jobs.map(({ form }) => form.key))];
		this.kinds = jobs.map(({ form }) => keys.indexOf(form.key));
	}

	/** @param kiln its index */
	fits(kiln: number, jobs: readonly number[]): boolean {
		const area = jobs.reduce((sum, job) => sum + this.areaAt(job), 0);
		if (area > (this.usable[kiln] as number)) return false;
		const key = `${kiln}:${jobs
			.map((job) => this.kinds[job] as number)
			.sort((a, b) => a - b)
			.join(",")}`;
		const known = this.known.get(key);
		if (known !== undefined) return known;
		const fits = this.packs(kiln, jobs);
		this.known.set(key, fits);
		return fits;
	}

	areaAt = (job: number): number => this.jobs[job]?.form.areaMm2 ?? 0;

	/** Glass over the usable shelf, 0 to 1. */
	fillOf = (kiln: number, jobs: readonly number[]): number =>
		jobs.reduce((sum, job) => sum + this.areaAt(job), 0) / (this.usable[kiln] as number);

	private packs(kiln: number, jobs: readonly number[]): boolean {
		const { shelf, clearHeightMm } = this.input.kilns[kiln] as PlanKiln;
		if (jobs.some((job) => (this.jobs[job]?.heightMm ?? 0) > clearHeightMm)) return false;
		const order = [...jobs]
			.sort((a, b) => this.areaAt(b) - this.areaAt(a) || (this.kinds[a] as number) - (this.kinds[b] as number))
			.map((job) => ({ id: String(job), form: (this.jobs[job] as PlanJob).form }));
		const tallest = order.reduce((most, { form }) => Math.max(most, (form.turns[0]?.maxY ?? 0) * 2), 0);
		const feet = shelf.shape === "rectangle" ? [0] : [0, 0.25 * tallest, 0.5 * tallest];
		return feet.some(
			(footMm) => layOutlines(order, { everyDeg: 90, footMm }, this.templates[kiln] as Templates).leftIds.length === 0,
		);
	}
}
