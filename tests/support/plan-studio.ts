import type { FuseLevel } from "@core/firing/level";
import { USUAL_PACE } from "@core/firing/schools";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import type { Form } from "@core/loading/outlines/form";
import { jobsOf } from "@core/loading/plan/piece-jobs";
import type { MinuteSpan, PlanInput, PlanKiln, PlanMould, PlanPiece } from "@core/loading/plan/types";
import { USUAL_WISHES } from "@core/loading/plan/wishes";

import { seededRandom } from "@core/seeded-random";
import { mould as dish } from "./kit";
import { measured } from "./measured";

const DAY = 1440;

export const SMALL_KILN: PlanKiln = {
	...{ id: "round", name: "Round", clearHeightMm: 150, maxC: 900, booked: [] },
	body: { powerW: 3600, lossWPerK: 2.0, capacityJPerK: 22_000, roomC: 20 },
	shelf: { widthMm: 430, heightMm: 430, marginMm: 12, shape: "round" },
};
const KILNS: PlanKiln[] = [
	{
		...{ id: "hopper", name: "Hopper", body: DEFAULT_KILN, clearHeightMm: 180, maxC: 930, booked: [] },
		shelf: { widthMm: 500, heightMm: 400, marginMm: 15, shape: "rectangle" },
	},
	SMALL_KILN,
	{ ...SMALL_KILN, id: "silo", name: "Silo", shelf: { widthMm: 380, heightMm: 380, marginMm: 12, shape: "rectangle" } },
];

/** From 08:00 to 21:00, the seventh day of each week nobody; the plan begins on a first day at 08:00. */
export const openDays = (days: number): MinuteSpan[] =>
	Array.from({ length: days }, (_, day) => ({ from: day * DAY, to: day * DAY + 13 * 60 })).filter(
		(_, day) => day % 7 !== 6,
	);

interface Wanted {
	pieces: number;
	kilns?: number;
	days?: number;
	/** Each class that slumps has so many moulds of its kind; left out: it slumps without. */
	moulds?: number;
}

/** A studio's waiting pieces, invented and the same for a seed: classes of like pieces, some single ones, some promised, some wet. */
export function planStudio(seed: number, { pieces, kilns = 3, days = 14, moulds }: Wanted): PlanInput {
	const random = seededRandom(seed);
	const any = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
	const forms = new Map<string, Form>();
	const made: PlanPiece[] = [];
	const shelf: PlanMould[] = [];
	while (made.length < pieces) {
		const level: FuseLevel = any(["full", "full", "full", "tack", "contour"]);
		const familyId = random() < 0.85 ? "90" : "96";
		const thick = any([6, 6, 6, 6, 9, 9, 12, 18]);
		const size = [any([60, 80, 100, 120, 150]), any([60, 80, 100, 120, 180])] as const;
		const group = `class ${made.length}`;
		const slumps = random() < 0.25;
		const promised = random() < 0.8 ? 4 + Math.floor(random() * 9) : null;
		const mould =
			slumps && moulds ? dish(`mould ${made.length}`, { widthMm: 100, heightMm: 100, count: moulds }) : undefined;
		if (mould && moulds) shelf.push({ id: mould.id, count: moulds, booked: [] });
		const many = Math.min(pieces - made.length, random() < 0.6 ? 4 + Math.floor(random() * 8) : 1);
		for (let i = 0; i < many; i++) {
			const thin = Math.max(3, thick - any([0, 0, 3]));
			const asMade = {
				widthMm: size[0],
				heightMm: size[1],
				thickestMm: thick,
				thinnestMm: thin,
				massG: null,
				changed: "",
			};
			const waiting = { id: `p${made.length}`, code: `P${made.length}`, familyId, promised: null };
			const body = measured(asMade, level, {
				blackBesideWhite: random() < 0.1,
				trappedSpanMm: Math.max(...size),
			});
			const slumped = measured(asMade, "slump", { hadLevel: level });
			const route = [{ body, handWork: "" }, ...(slumps ? [{ body: slumped, handWork: "", mould }] : [])];
			made.push({
				...{ id: waiting.id, code: waiting.code, group, tailMin: 240 },
				jobs: jobsOf(waiting, route, { judge: 2, coldWork: 24 }, forms),
				readyMin: random() < 0.2 ? Math.floor(random() * 2 * DAY) : 0,
				promisedMin: promised === null ? null : promised * DAY + 16 * 60,
			});
		}
	}
	const there = openDays(days + 7);
	return {
		pieces: made,
		kilns: KILNS.slice(0, kilns),
		moulds: shelf,
		families: [FAMILY_90, FAMILY_96],
		schools: { ...USUAL_PACE, soak: "lower", clearanceMm: 5 },
		...{ there, mayStart: there, horizonMin: days * DAY, aloneMin: null, wishes: USUAL_WISHES },
	};
}
