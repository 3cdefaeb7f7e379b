import { ok, problem, type Result } from "../result";

/** Reads an oven's powers as they stand beside its dial: watts, "900 W", and shares of the most of them, "50 %". Returns W, least first. */
export function parsePowers(text: string): Result<number[]> {
	const said = text
		.replace(/(\d)\s+(?=%|W\b)/gi, "$1")
		.split(/[\s,;]+/)
		.filter(Boolean);
	const wattsOf = (one: string) => (/^\d+(\.\d+)?W?$/i.test(one) ? Number(one.replace(/W$/i, "")) : Number.NaN);
	const shareOf = (one: string) => (/^\d+(\.\d+)?%$/.test(one) ? Number(one.slice(0, -1)) / 100 : Number.NaN);
	const unread = said.find((one) => Number.isNaN(wattsOf(one)) && Number.isNaN(shareOf(one)));
	if (unread !== undefined) return problem([], `“${unread}” is no power. Write 350, 900 W or 50 %.`);
	const watts = said.map(wattsOf).filter((one) => !Number.isNaN(one));
	const most = Math.max(...watts, 0);
	const shares = said.map(shareOf).filter((one) => !Number.isNaN(one));
	if (shares.length > 0 && most === 0) return problem([], "Say what its full power is in watts: 50 % of how much?");
	const all = [...watts, ...shares.map((share) => Math.round(share * most))];
	return ok([...new Set(all)].sort((a, b) => a - b));
}
