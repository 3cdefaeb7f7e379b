/** What a kiln's controller can say of itself. */
export const LINE_STATUSES = ["idle", "running", "held", "complete", "powerLost", "sensorOpen"] as const;
export type LineStatus = (typeof LINE_STATUSES)[number];

/** Of a programme that was begun: the controller is through with it. Some say so only once, and are idle then. */
export const isOver = (status: LineStatus | null): boolean => status === "complete" || status === "idle";
