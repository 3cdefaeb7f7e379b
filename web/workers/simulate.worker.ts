import { type Simulation, type SimulationInput, simulateFiring } from "@core/kiln/simulate";
import { expose } from "comlink";

/** The core's simulation of a firing, off the page's own thread. */
const simulator = { run: (input: SimulationInput): Simulation => simulateFiring(input) };
export type Simulator = typeof simulator;
expose(simulator);
