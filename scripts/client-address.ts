import type { IncomingHttpHeaders } from "node:http";
import { CLIENT_ADDRESS } from "../server/house/client";

const FORWARDED = /^(forwarded|x-forwarded-.*|x-real-ip|x-client-ip|cf-connecting-ip|true-client-ip|x-zephyr-client)$/;

/**
 * Headers without anything a sender could claim about where it is, and with its address. Behind `proxies` trusted proxies the
 * address is the one the outermost of them saw: each adds the address it saw at the right of X-Forwarded-For, so that many
 * hops are counted from the right, and what a sender wrote itself stands further left. Source: RFC 7239 §5.2, §8.1.
 */
export function withClientAddress(
	headers: IncomingHttpHeaders,
	peer: string,
	proxies: number,
): IncomingHttpHeaders & { [CLIENT_ADDRESS]: string } {
	const said = [headers["x-forwarded-for"] ?? ""].flat().join(",");
	const hops = said
		.split(",")
		.map((hop) => hop.trim())
		.filter(Boolean);
	const address = proxies > 0 ? (hops.at(-proxies) ?? peer) : peer;
	const own = Object.entries(headers).filter(([name]) => !FORWARDED.test(name));
	return { ...Object.fromEntries(own), [CLIENT_ADDRESS]: address.slice(0, 64) };
}

/** How many trusted proxies stand in front; none where nothing, or no number, is said. */
export function trustedProxies(setting: string | undefined): number {
	const count = Number(setting ?? 0);
	return Number.isInteger(count) && count > 0 && count < 10 ? count : 0;
}
