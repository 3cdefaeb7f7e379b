import { useState } from "react";

/** The demo stops and a studio of one's own begins: asked again until its first page is there. */
const ASK_MS = 700;
const PATIENCE_MS = 180_000;

interface Props {
	quiet?: boolean;
	/** Printed where the program runs; whoever is signed in needs none. */
	leaveKey?: string | null;
}

/** The press that leaves the demo, and the wait until the own studio's first page answers. */
export default function LeaveDemo({ quiet = false, leaveKey = null }: Props) {
	const [state, setState] = useState<"here" | "sure" | "leaving">("here");
	const [trouble, setTrouble] = useState("");
	const leave = async () => {
		setState("leaving");
		setTrouble("");
		const answer = await fetch("/api/begin", {
			method: "POST",
			headers: { "Content-Type": "application/json" },
			body: JSON.stringify({ key: leaveKey }),
		}).catch(() => null);
		const body = await answer?.json().catch(() => null);
		if (!answer?.ok || !body?.key) {
			setState("here");
			setTrouble(body?.problems?.[0]?.sentence ?? "The server cannot be reached. Try again in a moment.");
			return;
		}
		const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
		const first = `/begin?key=${body.key}&zone=${encodeURIComponent(zone)}`;
		const end = Date.now() + PATIENCE_MS;
		while (Date.now() < end) {
			await new Promise((done) => setTimeout(done, ASK_MS));
			const page = await fetch(first, { redirect: "manual" }).catch(() => null);
			if (page?.status === 200) return location.assign(first);
		}
		setState("here");
		setTrouble("It has not answered for three minutes. Look at the window where ./start runs.");
	};
	const button = quiet ? "btn btn-sm" : "btn btn-primary w-full";
	return (
		<span className={quiet ? "inline-flex flex-wrap items-center gap-2" : "flex flex-col gap-2"}>
			{state === "here" && (
				<button type="button" className={button} onClick={() => setState("sure")}>
					Begin my own studio
				</button>
			)}
			{state === "sure" && (
				<>
					<span>
						The demo is closed for everybody who looks at it, and stays as it is: ./start --demo opens it again.
					</span>
					<span className="inline-flex gap-2">
						<button type="button" className="btn btn-primary btn-sm max-lg:h-11" onClick={() => void leave()}>
							Begin now
						</button>
						<button type="button" className="btn btn-ghost btn-sm max-lg:h-11" onClick={() => setState("here")}>
							Stay here
						</button>
					</span>
				</>
			)}
			{state === "leaving" && <b role="status">Making room for your studio: this takes some seconds …</b>}
			{trouble && (
				<b role="alert" className="text-error">
					{trouble}
				</b>
			)}
		</span>
	);
}
