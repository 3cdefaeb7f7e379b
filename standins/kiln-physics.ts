/**
 * A simulated kiln that ships with the product: its own physics, not the core's. Three bodies, elements, brick and the air
 * with all that stands in it, each kiln with its own sizes; a controller that hunts a little; a sensor that is a little off
 * and a little noisy. It can be told to fail. Time is the kiln's own; whoever drives it decides how fast that runs.
 */
export interface StandInSegment {
	/** °C/h, or full power (off, downwards). */
	rateCPerH: number | "full";
	targetC: number;
	holdMin: number;
}

export const STAND_IN_FAULTS = [
	"none",
	"stuckRelay",
	"openSensor",
	"powerCut",
	"lateReadings",
	"shortedSensor",
	"stillSensor",
] as const;
export type StandInFault = (typeof STAND_IN_FAULTS)[number];

export type StandInStatus = "idle" | "running" | "held" | "complete" | "powerLost" | "sensorOpen";

interface Make {
	powerW: number;
	elementsJPerK: number;
	airJPerK: number;
	brickJPerK: number;
	elementsToAir: number;
	airToBrick: number;
	brickToRoom: number;
	airToRoom: number;
	sensorOffK: number;
}

/** Two kilns of different make, W, J/K and W/K. Made up; neither is what the studio's book says of it. */
const MAKES: readonly Make[] = [
	{
		powerW: 5200,
		elementsJPerK: 2600,
		airJPerK: 19_000,
		brickJPerK: 15_500,
		elementsToAir: 15,
		airToBrick: 40,
		brickToRoom: 1.35,
		airToRoom: 1.15,
		sensorOffK: 1.5,
	},
	{
		powerW: 3450,
		elementsJPerK: 1700,
		airJPerK: 13_000,
		brickJPerK: 10_500,
		elementsToAir: 11,
		airToBrick: 30,
		brickToRoom: 1.1,
		airToRoom: 0.85,
		sensorOffK: -2,
	},
];
const ROOM_C = 21;
const NOISE_K = 0.6;
const STEP_S = 5;
const GAIN_W_PER_K = 700;

export class StandInKiln {
	status: StandInStatus = "idle";
	setC: number | null = null;
	segment = 0;
	elapsedS = 0;
	wattHours = 0;
	duty = 0;
	fault: StandInFault = "none";
	/** Kiln seconds for which the power stays away. */
	private darkS = 0;
	/** What a sensor that stands still shows, °C. */
	private stoodAt: number | undefined;
	private heldS = 0;
	private extraS = 0;
	private left = 0;
	private elements = ROOM_C;
	private air = ROOM_C;
	private brick = ROOM_C;
	private segments: readonly StandInSegment[] = [];
	private readonly make: Make;

	constructor(private readonly number: number) {
		this.make = MAKES[(number - 1) % MAKES.length] as Make;
	}

	/** The controller has no power either: it does not answer. */
	get dark(): boolean {
		return this.darkS > 0;
	}

	/** What the sensor shows, °C; null where it is open. */
	get shownC(): number | null {
		if (this.fault === "openSensor") return null;
		if (this.fault === "shortedSensor") return ROOM_C + 3 + this.noise();
		if (this.fault === "stillSensor" && this.stoodAt !== undefined) return this.stoodAt;
		const off = this.make.sensorOffK * Math.min(1, Math.max(0, (this.air - ROOM_C) / 400));
		return this.air + off + this.noise();
	}

	/** Somebody types a programme in and presses start. */
	start(segments: readonly StandInSegment[]): void {
		this.segments = segments;
		this.status = segments.length > 0 ? "running" : "idle";
		this.segment = 1;
		this.elapsedS = 0;
		this.wattHours = 0;
		this.heldS = 0;
		this.extraS = 0;
		this.setC = Math.round(this.air);
	}

	hold(): void {
		if (this.status === "running") this.status = "held";
	}
	/** Goes on after a hold, or after a power cut. */
	release(): void {
		if (this.status === "held" || this.status === "powerLost") {
			if (this.status === "powerLost") this.setC = Math.round(this.air);
			this.status = "running";
		}
	}
	skip(): void {
		if (this.status === "running" || this.status === "held") this.next();
	}
	stop(): void {
		if (this.status !== "idle") this.finish();
	}
	/** Ten minutes more of the present hold. */
	extend(): void {
		this.extraS += 600;
	}

	fail(fault: StandInFault, forMin = 30): void {
		this.stoodAt = fault === "stillSensor" ? (this.shownC ?? ROOM_C) : undefined;
		this.fault = fault;
		if (fault === "powerCut") {
			this.darkS = forMin * 60;
			if (this.status === "running" || this.status === "held") this.status = "powerLost";
		}
		if (fault === "none" && this.status === "sensorOpen") this.status = "running";
	}

	/** Lets kiln time pass. */
	advance(seconds: number): void {
		this.left += seconds;
		while (this.left >= STEP_S) {
			this.left -= STEP_S;
			this.step();
		}
	}

	private step(): void {
		if (this.status !== "idle") this.elapsedS += STEP_S;
		const power = this.power();
		this.duty = power / this.make.powerW;
		this.wattHours += (power * STEP_S) / 3600;
		const { elementsJPerK, airJPerK, brickJPerK, elementsToAir, airToBrick, brickToRoom, airToRoom } = this.make;
		const up = (this.elements - this.air) * elementsToAir;
		const into = (this.air - this.brick) * airToBrick;
		this.elements += ((power - up) * STEP_S) / elementsJPerK;
		this.air += ((up - into - (this.air - ROOM_C) * airToRoom) * STEP_S) / airJPerK;
		this.brick += ((into - (this.brick - ROOM_C) * brickToRoom) * STEP_S) / brickJPerK;
		if (this.darkS > 0) {
			this.darkS -= STEP_S;
			if (this.darkS <= 0) this.fault = "none";
		}
	}

	private power(): number {
		if (this.dark) return 0;
		if (this.fault === "stuckRelay") {
			this.follow();
			return this.make.powerW;
		}
		if (this.fault === "openSensor" && (this.status === "running" || this.status === "held"))
			this.status = "sensorOpen";
		const set = this.follow();
		if (set === null) return 0;
		const steady = (this.air - ROOM_C) * (this.make.airToRoom + this.make.brickToRoom);
		return Math.min(this.make.powerW, Math.max(0, steady + (set - this.air) * GAIN_W_PER_K));
	}

	/** Moves the set point on; null when nothing is asked for. */
	private follow(): number | null {
		if (this.status === "held") return this.setC;
		const segment = this.segments[this.segment - 1];
		if (this.status !== "running" || !segment || this.setC === null) return null;
		const away = segment.targetC - this.setC;
		const most = segment.rateCPerH === "full" ? Number.POSITIVE_INFINITY : (segment.rateCPerH * STEP_S) / 3600;
		this.setC += Math.sign(away) * Math.min(Math.abs(away), most);
		if (this.setC === segment.targetC && Math.abs(this.air - this.setC) < 3) {
			this.heldS += STEP_S;
			if (this.heldS >= segment.holdMin * 60 + this.extraS) this.next();
		}
		return this.setC;
	}

	private next(): void {
		this.heldS = 0;
		this.extraS = 0;
		if (this.segment >= this.segments.length) this.finish();
		else {
			this.segment++;
			this.status = "running";
		}
	}

	private finish(): void {
		this.status = "complete";
		this.segment = 0;
		this.setC = null;
	}

	/** Repeatable noise: the same kiln at the same kiln second reads the same. */
	private noise(): number {
		let hash = Math.imul((this.elapsedS / STEP_S + 17) | 0, 2_654_435_761) ^ Math.imul(this.number, 40_503);
		hash ^= hash >>> 15;
		hash = Math.imul(hash, 2_246_822_519);
		hash ^= hash >>> 13;
		return ((hash >>> 0) / 2 ** 32 - 0.5) * 2 * NOISE_K;
	}
}

export interface StandInPoint {
	s: number;
	airC: number;
	setC: number | null;
	duty: number;
	kwh: number;
	segment: number | null;
	status: StandInStatus;
}

/** What a kiln's sensor would have said all through a programme, every `everyS` seconds: for the demo's past. */
export function recordOf(
	number: number,
	segments: readonly StandInSegment[],
	untilS: number,
	everyS: number,
): StandInPoint[] {
	const kiln = new StandInKiln(number);
	kiln.start(segments);
	const points: StandInPoint[] = [];
	for (let s = 0; s <= untilS; s += everyS) {
		points.push({
			s,
			airC: kiln.shownC ?? ROOM_C,
			setC: kiln.setC,
			duty: kiln.duty,
			kwh: kiln.wattHours / 1000,
			segment: kiln.segment || null,
			status: kiln.status,
		});
		kiln.advance(everyS);
	}
	return points;
}
