import type { HouseHours } from "@contract/firings";
import type { FiringCost } from "@core/cost/firing-cost";
import { clockNear } from "@formats/time";
import { useNow } from "../../lib/clock";
import { useHouse } from "../../lib/house";
import { formatMoney } from "../../lib/money";
import { usePrefs } from "../../lib/prefs";

/** What the studio's hours say of a firing: who opens it when, and what to think of before it is started. */
export function HouseHoursLines({ house, openAt }: { house: HouseHours; openAt: string | null }) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { openThere, warnings } = house;
	return (
		<>
			{openThere && openAt && Date.parse(openThere) > Date.parse(openAt) && (
				<p>
					Somebody is there to open it from <b className="figure">{clockNear(openThere, new Date(nowMs), timeZone)}</b>.
				</p>
			)}
			{warnings.map((sentence) => (
				<p key={sentence} className="font-semibold text-warning">
					{sentence}
				</p>
			))}
		</>
	);
}

/** What a firing costs by the studio's tariff; nothing where there is none. */
export function CostLine({ cost }: { cost: FiringCost | null }) {
	const { currency } = useHouse();
	if (!cost || !currency) return null;
	const parts = [
		cost.powerMinor !== null && `power about ${formatMoney(cost.powerMinor, currency)}`,
		cost.kilnTimeMinor !== null && `kiln time ${formatMoney(cost.kilnTimeMinor, currency)} for the whole shelf`,
	].filter(Boolean);
	return parts.length === 0 ? null : <p className="figure text-soft">{parts.join(", ")}</p>;
}
