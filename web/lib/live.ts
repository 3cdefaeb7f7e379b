type Hear = (topic: string) => void;

const hearers = new Set<Hear>();
let started = false;

/** Hears of changes in the studio. One stream per browser: the tab that holds the lock passes topics on to the others. */
export function onTopic(hear: Hear): () => void {
	hearers.add(hear);
	if (!started) start();
	return () => {
		hearers.delete(hear);
	};
}

function start(): void {
	started = true;
	const others = new BroadcastChannel("zephyr-live");
	const tell: Hear = (topic) => {
		for (const hear of hearers) hear(topic);
	};
	others.onmessage = ({ data }: MessageEvent<string>) => tell(data);
	const leading = new AbortController();
	addEventListener("pagehide", () => leading.abort());
	void navigator.locks
		.request("zephyr-live", { signal: leading.signal }, () => {
			const stream = new EventSource("/api/live");
			leading.signal.addEventListener("abort", () => stream.close());
			const pass: Hear = (topic) => {
				tell(topic);
				others.postMessage(topic);
			};
			let openedBefore = false;
			stream.onopen = () => {
				if (openedBefore) pass("again"); // after a gap everything is asked again
				openedBefore = true;
			};
			stream.onmessage = ({ data }: MessageEvent<string>) => pass(data);
			stream.addEventListener("signedOut", () => {
				stream.close();
				location.assign("/sign-in");
			});
			return new Promise<void>((done) => leading.signal.addEventListener("abort", () => done()));
		})
		.catch(() => {});
}
