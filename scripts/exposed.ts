import { trustedProxies } from "./client-address";

const LOOPBACK = ["127.0.0.1", "localhost", "::1", "[::1]"];

/** Whether anybody but this machine is meant to reach the application: by where it listens, by its address, by a proxy before it. */
export function isExposed({
	host,
	publicUrl,
	proxies,
}: {
	host: string;
	publicUrl: string | undefined;
	proxies: string | undefined;
}): boolean {
	if (!LOOPBACK.includes(host)) return true;
	if (trustedProxies(proxies) > 0) return true;
	return publicUrl !== undefined && publicUrl !== "" && !LOOPBACK.includes(hostOf(publicUrl));
}

/** An address that cannot be read is taken for one of elsewhere. */
function hostOf(url: string): string {
	try {
		return new URL(url).hostname;
	} catch {
		return "";
	}
}

/** Whether browsers would reach it without TLS. */
export const isPlain = (publicUrl: string | undefined): boolean => !publicUrl?.startsWith("https:");
