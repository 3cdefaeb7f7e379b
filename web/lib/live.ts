/** What the server's stream says: views to ask again, and the mark of the page whose doing it was. */
export interface Heard {
	views: readonly string[] | "all";
	mark?: string;
}
type Hear = (heard: Heard) => void;

const hearers = new Set<Hear>();
let started = false;

/** Hears of changes in the studio. One stream per browser: the tab that holds the lock passes them on to the others. */
export function onHeard(hear: Hear): () => void {
	hearers.add(hear);
	if (!started) start();
	return () => {
		hearers.delete(hear);
	};
}

function start(): void {
	started = true;
	const others = new BroadcastChannel("zephyr-live");
	const tell: Hear = (heard) => {
		for (const hear of hearers) hear(heard);
	};
	others.onmessage = ({ data }: MessageEvent<Heard>) => tell(data);
	const leading = new AbortController();
	addEventListener("pagehide", () => leading.abort());
	void navigator.locks
		.request("zephyr-live", { signal: leading.signal }, () => {
			const stream = new EventSource("/api/live");
			leading.signal.addEventListener("abort", () => stream.close());
			const pass: Hear = (heard) => {
				tell(heard);
				others.postMessage(heard);
			};
			let openedBefore = false;
			stream.onopen = () => {
				if (openedBefore) pass({ views: "all" }); // after a gap everything is asked again
				openedBefore = true;
			};
			stream.onmessage = ({ data }: MessageEvent<string>) => pass(JSON.parse(data));
			stream.addEventListener("signedOut", () => {
				stream.close();
				location.assign("/sign-in");
			});
			return new Promise<void>((done) => leading.signal.addEventListener("abort", () => done()));
		})
		.catch(() => {});
}
