import type { Simulation, SimulationInput } from "@core/kiln/simulate";
import { useEffect, useState } from "react";
import { useNewest } from "../../lib/use-newest";
import { useWorker } from "../../lib/use-worker";
import type { Simulator } from "../../workers/simulate.worker";

export interface Simulated {
	simulation: Simulation;
	/** How long it took in the worker, ms. */
	ms: number;
	/** Of the present input; an older one stays in sight until the next is there. */
	current: boolean;
}

const thread = () => new Worker(new URL("../../workers/simulate.worker.ts", import.meta.url), { type: "module" });

/** A firing simulated in one worker, again whenever its input changes. Null without input or before the first answer. */
export function useSimulation(input: SimulationInput | null): Simulated | null {
	const worker = useWorker<Simulator>(thread);
	const [answer, setAnswer] = useState<{ key: string; simulation: Simulation; ms: number } | null>(null);
	const key = input ? JSON.stringify(input) : "";
	const simulate = useNewest(async () => {
		if (!input) return;
		const found = await worker.ask((remote) => remote.run(input));
		if (found) setAnswer({ key, ...found });
	});
	// biome-ignore lint/correctness/useExhaustiveDependencies: the input is made anew on every draw; its key is not
	useEffect(simulate, [key]);
	return answer && input ? { simulation: answer.simulation, ms: answer.ms, current: answer.key === key } : null;
}
