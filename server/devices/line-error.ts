/** Two sentences for whatever goes wrong on the network, one for what is not on the map: which port is open at which address is nobody's business. */
const WORDS = {
	silent: "its controller does not answer",
	refuses: "its controller refuses it",
	unmapped: "its register map has no such command",
} as const;

export class LineError extends Error {
	constructor(kind: keyof typeof WORDS) {
		super(WORDS[kind]);
	}
}
