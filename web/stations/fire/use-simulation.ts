import type { Simulation, SimulationInput } from "@core/kiln/simulate";
import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Simulator } from "../../workers/simulate.worker";

export interface Simulated {
	simulation: Simulation;
	/** How long it took in the worker, ms. */
	ms: number;
	/** Of the present input; an older one stays in sight until the next is there. */
	current: boolean;
}

/**
 * A firing simulated in one worker, again whenever its input changes. While one runs only the newest waits: a drag never
 * builds up a queue. Null without input or before the first answer.
 */
export function useSimulation(input: SimulationInput | null): Simulated | null {
	const worker = useRef<{ worker: Worker; remote: Remote<Simulator> } | null>(null);
	const busy = useRef(false);
	const waiting = useRef<{ key: string; input: SimulationInput } | null>(null);
	const [answer, setAnswer] = useState<{ key: string; simulation: Simulation; ms: number } | null>(null);
	const key = input ? JSON.stringify(input) : "";
	useEffect(
		() => () => {
			worker.current?.worker.terminate();
			worker.current = null;
			busy.current = false;
		},
		[],
	);
	// biome-ignore lint/correctness/useExhaustiveDependencies: the input is made anew on every draw; its key is not
	useEffect(() => {
		if (!input) return;
		waiting.current = { key, input };
		if (!worker.current) {
			const made = new Worker(new URL("../../workers/simulate.worker.ts", import.meta.url), { type: "module" });
			worker.current = { worker: made, remote: wrap<Simulator>(made) };
		}
		const { remote } = worker.current;
		const next = async () => {
			if (busy.current) return;
			const asked = waiting.current;
			if (!asked) return;
			waiting.current = null;
			busy.current = true;
			const { simulation, ms } = await remote.run(asked.input);
			busy.current = false;
			setAnswer({ key: asked.key, simulation, ms });
			void next();
		};
		void next();
	}, [key]);
	return answer && input ? { simulation: answer.simulation, ms: answer.ms, current: answer.key === key } : null;
}
