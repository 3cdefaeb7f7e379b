import { onChange, viewsShowing } from "@server/house/live";
import { logError } from "@server/house/log";
import { Refusal } from "@server/house/refusal";
import { actorOf } from "@server/people/models/actor";
import { refusalResponse, who } from "@web/endpoint";
import type { APIRoute } from "astro";

const KEEP_ALIVE_MS = 15_000;
/** A browser's tabs share one; a few more for several windows. */
const MOST_STREAMS = 6;

/** Streams that are open, by session. */
const open = new Map<string, number>();

/**
 * Server-sent events that carry names of views only: those who show one ask again. Ends when the person signs out or leaves, at
 * once where the session is ended.
 */
export const GET: APIRoute = (context) => {
	const { request } = context;
	const { sessionId } = who(context).actor;
	const count = open.get(sessionId) ?? 0;
	if (count >= MOST_STREAMS)
		return refusalResponse(new Refusal("tooOften", "This browser listens from too many windows already."));
	open.set(sessionId, count + 1);
	const encoder = new TextEncoder();
	const stream = new ReadableStream({
		start(controller) {
			let over = false;
			const send = (text: string) => {
				try {
					controller.enqueue(encoder.encode(text));
				} catch {
					stop();
				}
			};
			const endUnlessHere = async () => {
				try {
					if (await actorOf(request.headers)) return send(": here\n\n");
					send("event: signedOut\ndata: \n\n");
					stop();
				} catch (error) {
					logError("who listens", error); // asked again
				}
			};
			const stopHearing = onChange(({ topics, mark }) => {
				const views = viewsShowing(topics);
				if (views.length > 0) send(`data: ${JSON.stringify({ views, mark })}\n\n`);
				if (topics.includes("people")) void endUnlessHere();
			});
			const alive = setInterval(endUnlessHere, KEEP_ALIVE_MS);
			const stop = () => {
				if (over) return;
				over = true;
				clearInterval(alive);
				stopHearing();
				const left = (open.get(sessionId) ?? 1) - 1;
				if (left > 0) open.set(sessionId, left);
				else open.delete(sessionId);
				try {
					controller.close();
				} catch {
					// the browser closed it first
				}
			};
			request.signal.addEventListener("abort", stop);
			send("retry: 2000\n\n");
		},
	});
	return new Response(stream, {
		headers: { "Content-Type": "text/event-stream", "Cache-Control": "no-store", "X-Accel-Buffering": "no" },
	});
};
