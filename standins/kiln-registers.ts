import { STAND_IN_FAULTS, type StandInFault, StandInKiln, type StandInStatus } from "./kiln-physics";

/**
 * The stand-in's registers, all in the holding table. What a controller of this kind would have stands below 200; the front
 * panel, which only a person at the kiln could reach, from 900 on. See docs/formats/kiln-registers.md.
 */
export const REGISTERS = {
	airC: 0,
	setC: 1,
	status: 2,
	segment: 3,
	duty: 4,
	elapsedS: 5,
	wattHours: 7,
	command: 10,
	programmeCount: 100,
	programme: 101,
	speedUp: 900,
	fault: 901,
	faultMin: 902,
	behindS: 903,
	pressStart: 905,
	mark: 906,
} as const;
export const REGISTER_COUNT = 910;
export const NOTHING = 32_767;
export const FULL_POWER = 65_535;
export const MOST_SEGMENTS = 24;

const STATUS: Record<StandInStatus, number> = {
	idle: 0,
	running: 1,
	held: 2,
	complete: 3,
	powerLost: 4,
	sensorOpen: 5,
};
const COMMANDS = ["", "hold", "release", "skip", "stop", "start", "release", "extend"] as const;

/** A kiln behind its registers, on a clock that may run fast. */
export class StandInController {
	readonly registers = Buffer.alloc(REGISTER_COUNT * 2);
	private readonly kiln: StandInKiln;
	private speedUp = 1;
	private lastMs: number;

	constructor(number: number, nowMs: number, mark = 0) {
		this.kiln = new StandInKiln(number);
		this.lastMs = nowMs;
		this.set(REGISTERS.speedUp, 1);
		this.registers.writeUInt32BE(mark, REGISTERS.mark * 2);
		this.show();
	}

	/** It does not answer: no power, neither for the kiln nor for its controller. */
	get dark(): boolean {
		return this.kiln.dark;
	}
	get fault(): StandInFault {
		return this.kiln.fault;
	}

	/** Lets its time pass up to now and writes what it shows into the registers. */
	tick(nowMs: number): void {
		this.passTo(nowMs);
		this.show();
	}

	private passTo(nowMs: number): void {
		this.kiln.advance(((nowMs - this.lastMs) / 1000) * this.speedUp);
		this.lastMs = nowMs;
	}

	/** Acts on what was written to registers `from` … `from + count − 1`. */
	written(from: number, count: number, nowMs: number): void {
		this.passTo(nowMs);
		const touched = (register: number) => register >= from && register < from + count;
		if (touched(REGISTERS.speedUp)) this.speedUp = Math.max(1, this.get(REGISTERS.speedUp));
		if (touched(REGISTERS.fault))
			this.kiln.fail(STAND_IN_FAULTS[this.get(REGISTERS.fault)] ?? "none", this.get(REGISTERS.faultMin) || 30);
		if (touched(REGISTERS.command)) {
			const command = COMMANDS[this.get(REGISTERS.command)];
			if (command === "start") this.kiln.start(this.programme());
			else if (command) this.kiln[command]();
			this.set(REGISTERS.command, 0);
		}
		if (touched(REGISTERS.pressStart) && this.get(REGISTERS.pressStart) === 1) {
			this.kiln.start(this.programme());
			this.kiln.advance(this.registers.readUInt32BE(REGISTERS.behindS * 2));
			this.registers.writeUInt32BE(0, REGISTERS.behindS * 2);
			this.set(REGISTERS.pressStart, 0);
		}
		this.show();
	}

	private programme() {
		const count = Math.min(MOST_SEGMENTS, this.get(REGISTERS.programmeCount));
		return Array.from({ length: count }, (_, i) => {
			const at = REGISTERS.programme + 3 * i;
			const rate = this.get(at);
			return {
				rateCPerH: rate === FULL_POWER ? ("full" as const) : rate,
				targetC: this.get(at + 1) / 10,
				holdMin: this.get(at + 2),
			};
		});
	}

	private show(): void {
		const { kiln } = this;
		const tenths = (c: number | null) => (c === null ? NOTHING : Math.round(c * 10));
		this.registers.writeInt16BE(tenths(kiln.shownC), REGISTERS.airC * 2);
		this.registers.writeInt16BE(tenths(kiln.setC), REGISTERS.setC * 2);
		this.set(REGISTERS.status, STATUS[kiln.status]);
		this.set(REGISTERS.segment, kiln.segment);
		this.set(REGISTERS.duty, Math.round(kiln.duty * 1000));
		this.registers.writeUInt32BE(Math.round(kiln.elapsedS), REGISTERS.elapsedS * 2);
		this.registers.writeUInt32BE(Math.round(kiln.wattHours), REGISTERS.wattHours * 2);
		this.set(REGISTERS.fault, STAND_IN_FAULTS.indexOf(kiln.fault));
	}

	private get(register: number): number {
		return this.registers.readUInt16BE(register * 2);
	}
	private set(register: number, value: number): void {
		this.registers.writeUInt16BE(value & 0xffff, register * 2);
	}
}
