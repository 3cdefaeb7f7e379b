import type { CalendarFiring, PlanView } from "@contract/loads";
import { useMemo, useState } from "react";
import { movableFirings, withAnnounced } from "./movable";

/** Whether announced firings are planned anew with what waits. */
export function useMayMove(asBooked: PlanView) {
	const [wanted, turn] = useState(false);
	const may = movableFirings(asBooked);
	const isOn = wanted && may.length > 0;
	const view = useMemo(() => (isOn ? withAnnounced(asBooked) : asBooked), [asBooked, isOn]);
	const none: CalendarFiring[] = [];
	return {
		/** What the plan is made from. */
		view,
		/** Those that may. */
		may,
		/** Those that do. */
		moving: isOn ? may : none,
		isOn,
		turn,
	};
}
