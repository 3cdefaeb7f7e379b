import type { Simulation } from "@core/kiln/simulate";
import { simulateLoad } from "@core/loading/propose";
import { expose } from "comlink";

/** The core's simulation of a load's firing, off the page's own thread. */
const simulator = { run: (...load: Parameters<typeof simulateLoad>): Simulation => simulateLoad(...load) };
export type Simulator = typeof simulator;
expose(simulator);
