/** What a studio reckons for a firing, minor units of money; null: nothing is reckoned. */
export interface Tariff {
	/** A kilowatt hour; supplies are priced in fractions of a cent. */
	kwhMinor: number | null;
	/** A whole shelf for an hour of programme and cooling, for work from outside. */
	shelfHourMinor: number | null;
}

/** What a firing costs, or a part of it by the share of shelf it takes. Minor units; null where there is no tariff. */
export interface FiringCost {
	powerMinor: number | null;
	kilnTimeMinor: number | null;
}

/** @param share of the shelf, 0 to 1 */
export function firingCost(
	{ kwh, hours, share = 1 }: { kwh: number; hours: number; share?: number },
	{ kwhMinor, shelfHourMinor }: Tariff,
): FiringCost {
	return {
		powerMinor: kwhMinor === null ? null : Math.round(kwh * kwhMinor * share),
		kilnTimeMinor: shelfHourMinor === null ? null : Math.round(hours * shelfHourMinor * share),
	};
}
