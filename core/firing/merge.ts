import { type Demand, demandOf, type PieceToFire } from "./demand";
import { type FlowBand, sharedBand } from "./level";
import type { Pace } from "./schools";

/** Parts of a schedule that one piece can decide for everybody. */
export const SET_PARTS = ["firstRamp", "air", "soak", "cool"] as const;
export type SetPart = (typeof SET_PARTS)[number];

export interface MergedDemand extends Demand {
	band: FlowBand;
	/** Which pieces set each part: all those that ask for the same slowest value. */
	setBy: Record<SetPart, string[]>;
}

/**
 * The gentlest wish for each part, over all pieces: slowest ramp, longest holds, slowest cooling, and the flow all allow.
 * Undefined where the pieces' levels have no flow in common: they may not share a firing.
 */
export function mergeDemands(pieces: readonly PieceToFire[], pace: Pace): MergedDemand | undefined {
	const band = sharedBand(pieces.map((piece) => piece.level));
	const first = pieces[0];
	if (!first || !band) return undefined;
	const asked = pieces.map((piece) => ({ id: piece.id, demand: demandOf(piece, pace) }));
	const rate = (demand: Demand) =>
		demand.firstRampCPerH === "full" ? Number.POSITIVE_INFINITY : demand.firstRampCPerH;
	const slowest = Math.min(...asked.map(({ demand }) => rate(demand)));
	const airMin = Math.max(...asked.map(({ demand }) => demand.airMin));
	const soakMin = Math.max(...asked.map(({ demand }) => demand.soakMin));
	const coolCPerH = Math.min(...asked.map(({ demand }) => demand.coolCPerH));
	const who = (asks: (demand: Demand) => boolean) => asked.filter(({ demand }) => asks(demand)).map(({ id }) => id);
	return {
		level: first.level,
		band,
		firstRampCPerH: Number.isFinite(slowest) ? slowest : "full",
		airMin,
		soakMin,
		coolCPerH,
		setBy: {
			firstRamp: who((demand) => rate(demand) === slowest),
			air: airMin > 0 ? who((demand) => demand.airMin === airMin) : [],
			soak: who((demand) => demand.soakMin === soakMin),
			cool: who((demand) => demand.coolCPerH === coolCPerH),
		},
	};
}
