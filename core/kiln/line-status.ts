import { OPEN_C } from "../firing/build";

/** What a kiln's controller can say of itself. */
export const LINE_STATUSES = ["idle", "running", "held", "complete", "powerLost", "sensorOpen"] as const;
export type LineStatus = (typeof LINE_STATUSES)[number];

/** Of a programme that was begun: the controller is through with it. Some say so only once, and are idle then. */
export const isOver = (status: LineStatus | null): boolean => status === "complete" || status === "idle";

/** Its controller is through and the kiln is cold: from now on nothing of that firing changes until somebody opens it. */
export const isSettled = ({
	status,
	airC,
}: {
	status?: LineStatus | null | undefined;
	airC?: number | null | undefined;
}): boolean => isOver(status ?? null) && airC != null && airC <= OPEN_C;
