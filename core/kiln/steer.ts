import type { KilnCommand } from "./register-map";

/**
 * What became of a command to a kiln: it was asked for and is on its way, the kiln took it, it did not, or whoever sent it ended
 * before an answer came.
 */
export const STEER_OUTCOMES = ["asked", "taken", "refused", "unknown"] as const;
export type SteerOutcome = (typeof STEER_OUTCOMES)[number];

/** The note of it in the firing's log. @param why of a refusal, what the line said */
export function steerText(command: KilnCommand, outcome: SteerOutcome, why = ""): string {
	switch (outcome) {
		case "asked":
			return `${command} asked through the line`;
		case "taken":
			return `${command} through the line`;
		case "refused":
			return `${command} asked through the line, not taken: ${why}`;
		case "unknown":
			return `${command} asked through the line; nobody knows whether it was taken`;
	}
}
