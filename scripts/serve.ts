import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { pathToFileURL } from "node:url";
import sirv from "sirv";
import { isDriverFault } from "../server/house/driver-fault";
import { endWithParent } from "../server/house/end-with-parent";
import { errorFacts } from "../server/house/error-facts";
import { trustedProxies, withClientAddress } from "./client-address";
import { countBody, isClosed } from "./closed";
import { secure } from "./headers";

/** Names of built files carry their content's hash: what has the name once has it for ever. */
const NEVER_CHANGES = /^\/_astro\//;
/** What is under way when the end is asked for may be finished for so long, ms. */
const DRAINING_MS = 10_000;
/** Whoever takes longer to send the head of a request, or all of it, is cut off, ms. */
const HEAD_MS = 15_000;
const REQUEST_MS = 120_000;

type Handler = (request: IncomingMessage, response: ServerResponse) => void;

/** The built application: its files as they were compressed at build time, then its pages and endpoints. */
async function serve(host: string, port: number): Promise<void> {
	const { handler } = (await import(pathToFileURL("dist/server/entry.mjs").href)) as { handler: Handler };
	const files = sirv("dist/client", {
		brotli: true,
		gzip: true,
		setHeaders(response, path) {
			const kept = NEVER_CHANGES.test(path) ? "public, max-age=31536000, immutable" : "public, max-age=3600";
			response.setHeader("Cache-Control", kept);
		},
	});
	const proxies = trustedProxies(process.env.ZEPHYR_TRUST_PROXY);
	const https = (process.env.ZEPHYR_PUBLIC_URL ?? "").startsWith("https:");
	const underWay = new Set<ServerResponse>();
	const server = createServer({ headersTimeout: HEAD_MS, requestTimeout: REQUEST_MS }, (request, response) => {
		underWay.add(response);
		response.once("close", () => underWay.delete(response));
		request.headers = withClientAddress(request.headers, request.socket.remoteAddress ?? "", proxies);
		secure(response, https, NEVER_CHANGES.test(request.url ?? ""));
		if (!server.listening) response.setHeader("Connection", "close");
		if (isClosed(request.url ?? "")) return void response.writeHead(404).end();
		if (!countBody(request, response)) return;
		if (!isReadable(request.url ?? "")) return void response.writeHead(400).end("This address cannot be read.");
		if (isEndless(request) && request.method === "HEAD") return void response.writeHead(405, { Allow: "GET" }).end();
		// The answer's body is left out by the server itself: it was made for a HEAD.
		if (request.method === "HEAD") request.method = "GET";
		files(request, response, () => {
			secure(response, https, false);
			handler(request, response);
		});
	});
	server.listen(port, host);
	/** Takes no more, ends streams that would never end, and goes once what is under way is done. */
	const drain = () => {
		server.close(() => process.exit(0));
		setTimeout(() => process.exit(0), DRAINING_MS).unref();
		for (const response of underWay) if (isEndless(response.req)) response.destroy();
		server.closeIdleConnections();
	};
	for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, drain);
	endWithParent();
	for (const event of ["uncaughtException", "unhandledRejection"] as const)
		process.on(event, (error: unknown) => {
			if (isDriverFault(error)) return console.error("The database’s connection broke off:", errorFacts(error));
			console.error(`The server ends on ${event}:`, errorFacts(error));
			process.exit(1);
		});
}

/** Live updates: an answer that goes on until somebody leaves. */
const isEndless = ({ url = "" }: IncomingMessage): boolean => /^\/api\/live(\?|$)/.test(url);

function isReadable(address: string): boolean {
	try {
		decodeURI(address);
		return true;
	} catch {
		return false;
	}
}

await serve(process.env.HOST || "127.0.0.1", Number(process.env.PORT));
