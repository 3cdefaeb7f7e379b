/** Minor units in one of its major: 100 for most, 1 for some, 1000 for a few. Source: ISO 4217 as the browser knows it. */
export function minorPerMajor(currency: string): number {
	const { maximumFractionDigits = 2 } = new Intl.NumberFormat("en", { style: "currency", currency }).resolvedOptions();
	return 10 ** maximumFractionDigits;
}

/** Integer minor units as people write them: 685 USD → "$6.85". */
export const formatMoney = (minor: number, currency: string): string =>
	new Intl.NumberFormat("en", { style: "currency", currency }).format(minor / minorPerMajor(currency));

/** "6.85" → 685, or with fractions of a minor unit where they are kept; undefined where it is no amount. */
export function parseMoney(text: string, currency: string, fine = false): number | undefined {
	const value = Number(text.trim().replace(",", "."));
	if (text.trim() === "" || !Number.isFinite(value) || value < 0) return undefined;
	const minor = value * minorPerMajor(currency);
	return fine ? Number(minor.toFixed(3)) : Math.round(minor);
}
