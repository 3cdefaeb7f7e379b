import { lookup } from "node:dns/promises";
import ipaddr from "ipaddr.js";

/** Kinds of address a controller may have: the studio's own network, or one that is routed. Not this machine, not everybody at once. */
const ALLOWED = ["private", "uniqueLocal", "unicast", "carrierGradeNat"];

/** Whether a controller may be dialled at an address. Exceptions are named by whoever runs the program: ZEPHYR_KILN_HOSTS. */
export function mayDial(host: string, address: string, exceptions: readonly string[]): boolean {
	if (exceptions.includes(host) || exceptions.includes(address)) return true;
	return ipaddr.isValid(address) && ALLOWED.includes(ipaddr.process(address).range());
}

/** Names and addresses that may be dialled whatever they are, as they stand in a setting. */
export const exceptionsIn = (setting = ""): string[] =>
	setting
		.split(",")
		.map((one) => one.trim())
		.filter(Boolean);

/**
 * The address to dial for a controller: resolved first, so that a name cannot be looked at once and mean another place later.
 * @throws Error where the name is unknown or its place is not one to dial
 */
export async function kilnAddress(host: string): Promise<string> {
	const { address } = await lookup(host);
	if (!mayDial(host, address, exceptionsIn(process.env.ZEPHYR_KILN_HOSTS)))
		throw new Error("a kiln’s controller is not dialled at this address");
	return address;
}
