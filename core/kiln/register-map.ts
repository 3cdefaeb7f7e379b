import type { LineStatus } from "./line-status";

/** What a controller can be asked to do. The first four act on a firing that runs; the last three need somebody there. */
export const KILN_COMMANDS = ["hold", "release", "skip", "stop", "start", "resume", "extend"] as const;
export type KilnCommand = (typeof KILN_COMMANDS)[number];

export const NEEDS_SOMEBODY: readonly KilnCommand[] = ["start", "resume", "extend"];

/** The host that means the stand-in kiln that ships with the product. */
export const STAND_IN = "stand-in";

/** One value in a controller's registers: where it stands, how it is written, and what one step of it means. */
export interface Register {
	table: "holding" | "input";
	address: number;
	type: "u16" | "s16" | "u32";
	/** The value is the register times this. */
	scale: number;
	/** The register's content that means "nothing". */
	none: number | null;
}

/** Where a generic ramp controller keeps what we read, and what is written to it. Edited per kiln. */
export interface RegisterMap {
	airC: Register;
	setC: Register | null;
	duty: Register | null;
	segment: Register | null;
	elapsedS: Register | null;
	kwh: Register | null;
	status: Register | null;
	/** What the status register's numbers mean. */
	statusWords: Partial<Record<LineStatus, number>>;
	commands: Partial<Record<KilnCommand, { address: number; value: number }>>;
}

const holding = (address: number, scale: number, rest: Partial<Register> = {}): Register => ({
	table: "holding",
	address,
	type: "u16",
	scale,
	none: null,
	...rest,
});

/** The map of docs/formats/kiln-registers.md. */
export const GENERIC_MAP: RegisterMap = {
	airC: holding(0, 0.1, { type: "s16", none: 32_767 }),
	setC: holding(1, 0.1, { type: "s16", none: 32_767 }),
	status: holding(2, 1),
	segment: holding(3, 1, { none: 0 }),
	duty: holding(4, 0.001),
	elapsedS: holding(5, 1, { type: "u32" }),
	kwh: holding(7, 0.001, { type: "u32" }),
	statusWords: { idle: 0, running: 1, held: 2, complete: 3, powerLost: 4, sensorOpen: 5 },
	commands: Object.fromEntries(KILN_COMMANDS.map((name, i) => [name, { address: 10, value: i + 1 }])),
};
