import type { CalendarFiring, PlanView, PlanViewPiece } from "@contract/loads";
import type { AnnouncedFiring } from "@core/loading/plan/book";

/** The announced firings of a view that may be planned anew: all of their pieces may, and are of one family, as plans are. */
export function movableFirings({ booked, movable }: PlanView): CalendarFiring[] {
	return booked.filter(({ id, state, pieces }) => {
		const its = movable.filter(({ firingId }) => firingId === id);
		const isOfOne = new Set(its.map(({ familyId }) => familyId)).size === 1;
		return state === "planned" && isOfOne && its.length === pieces;
	});
}

/** Announced firings whose kiln is out of service in their hours, whether they may be planned anew or are moved one by one. */
export const strandedFirings = ({ booked, closed }: PlanView): CalendarFiring[] =>
	booked.filter(
		({ state, kilnId, from, to }) =>
			state === "planned" &&
			closed.some((one) => one.kilnId === kilnId && from < (one.to ?? Number.POSITIVE_INFINITY) && to > one.from),
	);

/** What a plan is made from where announced firings may move: their pieces are planned with those that wait. */
export function withAnnounced(view: PlanView): PlanView {
	const firings = movableFirings(view);
	if (firings.length === 0) return view;
	const ids = new Set(firings.map(({ id }) => id));
	const theirs = view.movable.filter(({ firingId }) => ids.has(firingId));
	const announced = firings.map(
		({ id, kilnId, from }): AnnouncedFiring => ({
			...{ id, kilnId, startMs: from },
			pieceIds: theirs.filter(({ firingId }) => firingId === id).map((piece) => piece.id),
		}),
	);
	const pieces: PlanViewPiece[] = theirs.map(({ firingId: _, ...piece }) => piece);
	return {
		...view,
		pieces: [...view.pieces, ...pieces],
		booked: view.booked.filter(({ id }) => !ids.has(id)),
		announced,
	};
}
