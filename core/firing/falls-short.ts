import type { GlassFamily } from "../glass/family";
import { demandOf, type PieceToFire } from "./demand";
import { peakIndexOf, type Schedule } from "./schedule";
import { USUAL_PACE } from "./schools";
import { annealHolds } from "./warnings/annealing";

/** A piece that a schedule, as it is written, soaks for less than it needs (min), or heats faster than it bears. */
export interface FallsShort {
	id: string;
	neededMin: number;
	heldMin: number;
	soaksTooShort: boolean;
	heatsTooFast: boolean;
}

/** Less is a matter of rounding: min, and a share of a rate. */
const SLACK_MIN = 3;
const SLACK_SHARE = 1.05;

/** Pieces that may not go along in a schedule that was made for others. So small that they go straight up, they need nothing. */
export function fallsShort(schedule: Schedule, family: GlassFamily, pieces: readonly PieceToFire[]): FallsShort[] {
	const { segments } = schedule;
	const heldMin = annealHolds({ segments, family, peak: peakIndexOf(schedule) }).reduce(
		(sum, { segment }) => sum + segment.holdMin,
		0,
	);
	const first = segments[0]?.rateCPerH ?? "full";
	return pieces.flatMap((piece) => {
		const { firstRampCPerH, soakMin } = demandOf(piece, USUAL_PACE);
		if (firstRampCPerH === "full") return [];
		const heatsTooFast = first === "full" || first > firstRampCPerH * SLACK_SHARE;
		const neededMin = Math.round(soakMin);
		const soaksTooShort = neededMin > heldMin + SLACK_MIN;
		return heatsTooFast || soaksTooShort ? [{ id: piece.id, neededMin, heldMin, soaksTooShort, heatsTooFast }] : [];
	});
}
