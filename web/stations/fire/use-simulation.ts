import type { Simulation } from "@core/kiln/simulate";
import type { simulateLoad } from "@core/loading/propose";
import { wrap } from "comlink";
import { useEffect, useState } from "react";
import type { Simulator } from "../../workers/simulate.worker";

/** A firing simulated in a worker; null until it answered. `key` says when the load is another one. */
export function useSimulation(key: string, load: Parameters<typeof simulateLoad>): Simulation | null {
	const [answer, setAnswer] = useState<{ key: string; simulation: Simulation } | null>(null);
	// biome-ignore lint/correctness/useExhaustiveDependencies: the load is made anew on every draw; its key is not
	useEffect(() => {
		let current = true;
		const worker = new Worker(new URL("../../workers/simulate.worker.ts", import.meta.url), { type: "module" });
		void wrap<Simulator>(worker)
			.run(...load)
			.then((simulation) => {
				if (current) setAnswer({ key, simulation });
				worker.terminate();
			});
		return () => {
			current = false;
			worker.terminate();
		};
	}, [key]);
	return answer?.key === key ? answer.simulation : null;
}
