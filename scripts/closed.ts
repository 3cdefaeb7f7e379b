import type { IncomingMessage, ServerResponse } from "node:http";

/** What the framework would serve by itself and nothing here needs: parts of pages sent as bodies, images fetched and decoded. */
const CLOSED = ["_server-islands", "_image"];
const MB = 1024 * 1024;
/** The largest body anything here asks for: a kiln's log, a photo; pages' own forms are small. Each endpoint counts its own besides. */
const MOST_TO_PROGRAM = 24 * MB;
const MOST_TO_PAGE = MB;

/** Whether an address is one of the framework's own that are closed, however it is written. */
export function isClosed(address: string): boolean {
	const path = decoded(address.split("?")[0] ?? "");
	const first = path.split(/[\\/]+/).find((part) => part !== "" && part !== ".");
	return first !== undefined && CLOSED.includes(first.toLowerCase());
}

function decoded(path: string): string {
	try {
		return decodeURIComponent(path);
	} catch {
		return path;
	}
}

/**
 * Counts what is sent, whoever reads it: an endpoint that forgot to, or the framework itself. What says beforehand that it is more than is
 * asked for is answered, what turns out to be is cut off. Returns whether it may go on.
 */
export function countBody(request: IncomingMessage, response: ServerResponse): boolean {
	const most = (request.url ?? "").startsWith("/api/") ? MOST_TO_PROGRAM : MOST_TO_PAGE;
	if (Number(request.headers["content-length"] ?? 0) > most) {
		response.writeHead(413, { Connection: "close" }).end(() => request.destroy());
		return false;
	}
	let bytes = 0;
	const push = request.push.bind(request);
	request.push = (chunk: unknown, encoding?: BufferEncoding) => {
		bytes += chunk instanceof Uint8Array ? chunk.length : 0;
		if (bytes <= most) return push(chunk, encoding);
		request.destroy();
		return false;
	};
	return true;
}
