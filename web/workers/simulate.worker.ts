import { type Simulation, type SimulationInput, simulateFiring } from "@core/kiln/simulate";
import { expose } from "comlink";

/** The core's simulation of a firing, off the page's own thread, and how long it took (ms). */
const simulator = {
	run(input: SimulationInput): { simulation: Simulation; ms: number } {
		const from = performance.now();
		const simulation = simulateFiring(input);
		return { simulation, ms: performance.now() - from };
	},
};
export type Simulator = typeof simulator;
expose(simulator);
