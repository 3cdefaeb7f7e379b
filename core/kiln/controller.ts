import type { Schedule } from "../firing/schedule";

/** How near (K) the kiln has to be to a target before its hold begins. */
const NEAR_K = 1;

/** Where a controller is in its schedule: the segment, its set point, and how long the target has been held. */
export interface ControllerState {
	segment: number;
	setC: number;
	arrived: boolean;
	heldS: number;
}

/** Walks through a schedule: hands out the set point and waits for a kiln that cannot keep up. */
export class Controller {
	readonly segmentEndS: number[] = [];
	/** The segment whose target this kiln can never reach; the programme ends there. */
	stuckAt: number | undefined;
	private state: ControllerState;

	/** @param ceilingC the hottest the kiln can get with all its power */
	constructor(
		private readonly schedule: Schedule,
		startC: number,
		private readonly ceilingC = Number.POSITIVE_INFINITY,
	) {
		this.state = { segment: 0, setC: startC, arrived: false, heldS: 0 };
	}

	get setC(): number {
		return this.state.setC;
	}

	get done(): boolean {
		return this.stuckAt !== undefined || this.state.segment >= this.schedule.segments.length;
	}

	/** Goes on from where a real controller is; segments before it end now. */
	resume(state: ControllerState, nowS: number): void {
		this.state = { ...state };
		while (this.segmentEndS.length < state.segment) this.segmentEndS.push(nowS);
	}

	/** Moves the set point on by `dtS`; returns it, or undefined when the power is to be off. */
	advance(nowS: number, dtS: number, airC: number): number | undefined {
		const { state } = this;
		const segment = this.schedule.segments[state.segment];
		if (!segment || this.stuckAt !== undefined) return undefined;
		const up = segment.targetC > airC + NEAR_K;
		if (up && segment.targetC >= this.ceilingC - NEAR_K) {
			this.stuckAt = state.segment;
			return undefined;
		}
		if (!state.arrived && state.setC !== segment.targetC) {
			if (segment.rateCPerH === "full") state.setC = segment.targetC;
			else {
				const step = (segment.rateCPerH * dtS) / 3600;
				state.setC =
					segment.targetC > state.setC
						? Math.min(segment.targetC, state.setC + step)
						: Math.max(segment.targetC, state.setC - step);
			}
		}
		const near = Math.abs(airC - segment.targetC) <= NEAR_K;
		if (state.setC === segment.targetC && (state.arrived || near)) {
			state.arrived = true;
			if (state.heldS >= segment.holdMin * 60) {
				this.segmentEndS.push(nowS);
				this.state = { segment: state.segment + 1, setC: state.setC, arrived: false, heldS: 0 };
			}
			this.state.heldS += dtS;
		}
		return this.state.setC;
	}
}
