import { onChange, viewsShowing } from "@server/house/live";
import { actorOf } from "@server/people/models/actor";
import type { APIRoute } from "astro";

const KEEP_ALIVE_MS = 15_000;

/** Server-sent events that carry names of views only: those who show one ask again. Ends when the person signs out or leaves. */
export const GET: APIRoute = ({ request }) => {
	const encoder = new TextEncoder();
	const stream = new ReadableStream({
		start(controller) {
			const send = (text: string) => {
				try {
					controller.enqueue(encoder.encode(text));
				} catch {
					stop();
				}
			};
			const stopHearing = onChange(({ topics, mark }) => {
				const views = viewsShowing(topics);
				if (views.length > 0) send(`data: ${JSON.stringify({ views, mark })}\n\n`);
			});
			const alive = setInterval(async () => {
				if (await actorOf(request.headers)) return send(": here\n\n");
				send("event: signedOut\ndata: \n\n");
				stop();
			}, KEEP_ALIVE_MS);
			const stop = () => {
				clearInterval(alive);
				stopHearing();
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
