import type { RouteStep } from "../../kit/kit";
import type { Mould } from "../../kit/mould";
import type { PieceBody } from "../../piece/piece-body";
import { toFire } from "../../piece/to-fire";
import { footprintOf, heightOf } from "../footprint";
import type { WaitingPiece } from "../load";
import { loadHeat } from "../load-heat";
import { type Form, formOf } from "../outlines/form";
import { trayKey } from "../tray";
import type { PlanJob } from "./types";

/** Times between firings, h. */
export interface BetweenHours {
	judge: number;
	coldWork: number;
}

/** A firing that a piece still has before it: what it will be then, the mould it is fired on, and the hand work after it. */
export interface PlanStep extends Pick<RouteStep, "handWork"> {
	body: PieceBody;
	/** Under which its kit's outline is found, where that is not sent along. */
	outlineKey?: string;
	mould?: Mould | undefined;
}

/**
 * The firings that a piece still has before it, as a plan needs them: the first as it waits, later ones of what it will have become.
 * @param route what is left of its route, the present firing first
 * @param known forms made before, by their outline
 */
export const jobsOf = (
	piece: Pick<WaitingPiece, "id" | "familyId" | "promised">,
	route: readonly PlanStep[],
	{ judge, coldWork }: BetweenHours,
	known: Map<string, Form>,
): PlanJob[] =>
	route.map((step, i) => {
		const { body } = step;
		const work = route[i - 1]?.handWork ? coldWork : 0;
		return {
			toFire: toFire(piece.id, body),
			familyId: piece.familyId,
			tray: trayKey({ ...piece, level: body.level, effectiveMm: body.effectiveMm }),
			form: formed(step, known),
			glassJPerK: loadHeat([step], { widthMm: 0, heightMm: 0 }).loadJPerK,
			heightMm: heightOf(step),
			mouldId: step.mould?.id ?? null,
			afterMin: i === 0 ? 0 : Math.round((judge + work) * 60),
		};
	});

function formed(step: PlanStep, known: Map<string, Form>): Form {
	const outline = footprintOf(step);
	const key = outline.map(({ x, y }) => `${Math.round(x)},${Math.round(y)}`).join(" ");
	const form = known.get(key) ?? formOf(outline);
	known.set(key, form);
	return form;
}
