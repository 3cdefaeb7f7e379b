/** Integer minor units as people write them: 685 USD → "$6.85". */
export function formatMoney(minor: number, currency: string): string {
	const format = new Intl.NumberFormat("en", { style: "currency", currency });
	const { maximumFractionDigits = 2 } = format.resolvedOptions();
	return format.format(minor / 10 ** maximumFractionDigits);
}

/** "6.85" → 685; undefined where it is no amount. */
export function parseMoney(text: string, currency: string): number | undefined {
	const { maximumFractionDigits = 2 } = new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions();
	const value = Number(text.trim().replace(",", "."));
	return text.trim() !== "" && Number.isFinite(value) && value >= 0
		? Math.round(value * 10 ** maximumFractionDigits)
		: undefined;
}
