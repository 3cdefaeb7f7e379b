import { createServer, type ServerResponse } from "node:http";
import { pathToFileURL } from "node:url";
import sirv from "sirv";
import { trustedProxies, withClientAddress } from "./client-address";

/** Names of built files carry their content's hash: what has the name once has it for ever. */
const NEVER_CHANGES = /^\/_astro\//;
const ENDING_MS = 3000;

/** The built application: its files as they were compressed at build time, then its pages and endpoints. */
async function serve(host: string, port: number): Promise<void> {
	const built = pathToFileURL("dist/server/entry.mjs").href;
	const { handler } = (await import(built)) as { handler: (request: unknown, response: ServerResponse) => void };
	const files = sirv("dist/client", {
		brotli: true,
		gzip: true,
		setHeaders(response, path) {
			response.setHeader("X-Content-Type-Options", "nosniff");
			response.setHeader(
				"Cache-Control",
				NEVER_CHANGES.test(path) ? "public, max-age=31536000, immutable" : "public, max-age=3600",
			);
		},
	});
	const proxies = trustedProxies(process.env.ZEPHYR_TRUST_PROXY);
	const server = createServer((request, response) => {
		request.headers = withClientAddress(request.headers, request.socket.remoteAddress ?? "", proxies);
		if (isReadable(request.url ?? "")) files(request, response, () => handler(request, response));
		else response.writeHead(400).end("This address cannot be read.");
	});
	server.listen(port, host);
	// Ends with the one who started it, however that ended.
	process.on("disconnect", () => process.exit(0));
	for (const signal of ["SIGINT", "SIGTERM"] as const)
		process.once(signal, () => {
			server.close(() => process.exit(0));
			setTimeout(() => process.exit(0), ENDING_MS).unref();
			server.closeAllConnections();
		});
}

function isReadable(address: string): boolean {
	try {
		decodeURI(address);
		return true;
	} catch {
		return false;
	}
}

await serve(process.env.HOST || "127.0.0.1", Number(process.env.PORT));
