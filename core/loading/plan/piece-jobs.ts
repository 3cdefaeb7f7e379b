import type { FuseLevel } from "../../firing/level";
import { keepsSurface } from "../../firing/level";
import type { RouteStep } from "../../kit/kit";
import type { Mould } from "../../kit/mould";
import { footprintOf, heightOf } from "../footprint";
import { loadHeat } from "../load-heat";
import { type Form, formOf } from "../outlines/form";
import { effectiveOf, toFire, type WaitingPiece } from "../propose";
import { trayKey } from "../tray";
import type { PlanJob } from "./types";

/** Times between firings, h. */
export interface BetweenHours {
	judge: number;
	coldWork: number;
}

/** A firing of the route, with the mould it is fired on. */
export interface PlanStep extends Pick<RouteStep, "level" | "handWork"> {
	mould?: Mould | undefined;
}

/**
 * The firings that a piece still has before it, as a plan needs them: the first as it waits, later ones of what it will have become.
 * @param route what is left of its route, the present firing first
 * @param known forms made before, by their outline
 */
export function jobsOf(
	piece: WaitingPiece,
	route: readonly PlanStep[],
	{ judge, coldWork }: BetweenHours,
	known: Map<string, Form>,
): PlanJob[] {
	const steps = route.length > 0 ? route : [{ level: piece.level, handWork: "", mould: undefined }];
	let hadLevel: FuseLevel | undefined = piece.hadLevel;
	return steps.map((step, i) => {
		const its: WaitingPiece =
			i === 0
				? piece
				: {
						...piece,
						...{ level: step.level, hadLevel, trappedSpanMm: 0, mould: step.mould },
						effectiveMm: effectiveOf(piece.asMade, step.level, hadLevel),
					};
		const level = its.level;
		hadLevel = keepsSurface(level) ? (hadLevel ?? level) : level;
		const work = steps[i - 1]?.handWork ? coldWork : 0;
		return {
			toFire: toFire(its),
			familyId: piece.familyId,
			tray: trayKey(its),
			form: formed(its, known),
			glassJPerK: loadHeat([its], { widthMm: 0, heightMm: 0 }).loadJPerK,
			heightMm: heightOf(its),
			mouldId: step.mould?.id ?? null,
			afterMin: i === 0 ? 0 : Math.round((judge + work) * 60),
		};
	});
}

function formed(piece: WaitingPiece, known: Map<string, Form>): Form {
	const outline = footprintOf(piece);
	const key = outline.map(({ x, y }) => `${Math.round(x)},${Math.round(y)}`).join(" ");
	const form = known.get(key) ?? formOf(outline);
	known.set(key, form);
	return form;
}
