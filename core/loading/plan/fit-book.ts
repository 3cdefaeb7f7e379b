import { barredOn, type Reached } from "../heat-there";
import { keptFree } from "../outlines/kept-free";
import { layOutlines } from "../outlines/lay-outlines";
import { roomAt } from "../outlines/room";
import { Templates } from "../outlines/templates";
import type { PlacedForm, ShelfPiece } from "../placement";
import { usableMm2 } from "../shelf";
import { mostTiers, type Tier, tiersOf } from "../tiers";
import type { PlanInput, PlanJob, PlanKiln } from "./types";

/** Whether pieces fit a kiln together, and on how many of its shelves: packed once for every set of forms. */
export class FitBook {
	/** Shelves that a set takes; 0: it does not fit. */
	private readonly known = new Map<string, number>();
	/** By kiln: of a shelf that carries another, and of one that does not. */
	private readonly templates: { carrying: Templates; bare: Templates }[];
	private readonly usable: number[];
	/** A number for each kind of job: alike in form, height, family and level, which is all that posts, lids and hot places ask. */
	private readonly kinds: number[];

	/** @param reachedBy what a kiln's firing of a job does in its middle; both by index */
	constructor(
		private readonly input: Pick<PlanInput, "kilns" | "schools">,
		private readonly jobs: readonly PlanJob[],
		private readonly reachedBy: (kiln: number, job: number) => Reached,
	) {
		this.templates = input.kilns.map((kiln) => {
			const [lowest, top] = [tiersOf(kiln, 2)[0] as Tier, tiersOf(kiln, 1)[0] as Tier];
			const of = ({ shelf }: Tier) => new Templates(shelf, input.schools.clearanceMm);
			return { carrying: of(lowest), bare: of(top) };
		});
		this.usable = input.kilns.map(({ shelf }) => usableMm2(shelf));
		const keyOf = ({ form, heightMm, familyId, toFire }: PlanJob) =>
			`${familyId} ${toFire.level} ${heightMm} ${form.key}`;
		const kinds = new Map([...new Set(jobs.map(keyOf))].map((key, i) => [key, i]));
		this.kinds = jobs.map((job) => kinds.get(keyOf(job)) as number);
	}

	/** @param kiln its index */
	fits = (kiln: number, jobs: readonly number[]): boolean => this.shelvesOf(kiln, jobs) > 0;

	/** How many shelves of a kiln some jobs take; 0 where they do not fit. */
	shelvesOf(kiln: number, jobs: readonly number[]): number {
		const most = mostTiers(this.input.kilns[kiln] as PlanKiln);
		if (this.areaOf(jobs) > (this.usable[kiln] as number) * most) return 0;
		const key = `${kiln}:${jobs
			.map((job) => this.kinds[job] as number)
			.sort((a, b) => a - b)
			.join(",")}`;
		const known = this.known.get(key);
		if (known !== undefined) return known;
		let used = 1;
		while (used <= most && !this.packs(kiln, jobs, used)) used++;
		const shelves = used > most ? 0 : used;
		this.known.set(key, shelves);
		return shelves;
	}

	areaAt = (job: number): number => this.jobs[job]?.form.areaMm2 ?? 0;

	/** Glass over the usable shelves it takes, 0 to 1. */
	fillOf = (kiln: number, jobs: readonly number[]): number =>
		this.areaOf(jobs) / ((this.usable[kiln] as number) * Math.max(1, this.shelvesOf(kiln, jobs)));

	private areaOf = (jobs: readonly number[]): number => jobs.reduce((sum, job) => sum + this.areaAt(job), 0);

	private packs(kiln: number, jobs: readonly number[], used: number): boolean {
		const its = this.input.kilns[kiln] as PlanKiln;
		const reached = this.reachedBy(kiln, jobs[0] as number);
		let left = [...jobs]
			.sort((a, b) => this.areaAt(b) - this.areaAt(a) || (this.kinds[a] as number) - (this.kinds[b] as number))
			.map((job) => this.jobs[job] as PlanJob)
			.map(({ form, heightMm }, i) => ({ id: String(i), form, heightMm }));
		// The lowest room first: what is tall finds the highest.
		const tiers = tiersOf(its, used)
			.map((tier, i) => ({ tier, carries: i < used - 1 }))
			.sort((a, b) => a.tier.clearHeightMm - b.tier.clearHeightMm);
		for (const { tier, carries } of tiers) {
			const barred = barredOn(tier, its.uneven ?? [], reached);
			if (!barred) continue;
			const low = left.filter(({ heightMm }) => heightMm <= tier.clearHeightMm);
			const templates = this.templates[kiln]?.[carries ? "carrying" : "bare"] as Templates;
			const leftIds = new Set(
				barred.length === 0 && isAtEase(low, tier) ? [] : leastLeft(low, templates, barred.map(keptFree)),
			);
			left = left.filter((one) => !low.includes(one) || leftIds.has(one.id));
			if (left.length === 0) return true;
		}
		return false;
	}
}

/** A single piece that fits in the middle of a shelf without posts: there is nothing to lay. */
function isAtEase(all: readonly Pick<ShelfPiece, "id" | "form">[], { shelf }: Tier): boolean {
	const [one] = all;
	if (!one || all.length > 1 || shelf.posts?.length) return false;
	return one.form.turns.some(({ hull, minY, maxY }) => {
		const room = roomAt(shelf, hull, shelf.heightMm / 2 - (minY + maxY) / 2);
		return room !== undefined && room[0] <= room[1];
	});
}

/** What is left of some forms on one shelf, of the heights of the first row that are tried: the fewest. */
function leastLeft(
	all: readonly Pick<ShelfPiece, "id" | "form">[],
	templates: Templates,
	kept: readonly PlacedForm[],
): string[] {
	const { shelf } = templates;
	const tallest = all.reduce((most, { form }) => Math.max(most, (form.turns[0]?.maxY ?? 0) * 2), 0);
	const feet = shelf.shape === "rectangle" ? [0] : [0, 0.25 * tallest, 0.5 * tallest];
	let least: string[] | undefined;
	for (const footMm of feet) {
		const { leftIds } = layOutlines(all, { kind: "top", footMm }, templates, kept);
		if (!least || leftIds.length < least.length) least = leftIds;
		if (least.length === 0) break;
	}
	return least ?? [];
}
