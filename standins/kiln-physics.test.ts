import { DEFAULT_KILN } from "@core/kiln/kiln";
import { describe, expect, it } from "vitest";
import { recordOf, StandInKiln } from "./kiln-physics";
import { FULL_POWER, NOTHING, REGISTERS, StandInController } from "./kiln-registers";

const FIRING = [
	{ rateCPerH: 222, targetC: 663, holdMin: 30 },
	{ rateCPerH: 333, targetC: 804, holdMin: 10 },
	{ rateCPerH: "full" as const, targetC: 482, holdMin: 60 },
	{ rateCPerH: 83, targetC: 371, holdMin: 0 },
];
const HOUR = 3600;

describe("the stand-in kiln", () => {
	it("fires a whole schedule with its own physics and cools to where it is opened", () => {
		const record = recordOf(1, FIRING, 24 * HOUR, 120);
		const hottest = Math.max(...record.map(({ airC }) => airC));
		expect(Math.abs(hottest - 804)).toBeLessThan(8);
		expect(record.at(-1)?.status).toBe("complete");
		expect(record.at(-1)?.airC).toBeLessThan(60);
		expect(record.at(-1)?.kwh).toBeGreaterThan(9);
		expect(record).toEqual(recordOf(1, FIRING, 24 * HOUR, 120));
	});

	it("is no copy of the core’s kiln: its fall is not one exponential", () => {
		const kiln = new StandInKiln(1);
		kiln.start([{ rateCPerH: "full", targetC: 700, holdMin: 5 }]);
		kiln.advance(3 * HOUR);
		kiln.stop();
		const perHour = () => {
			const before = (kiln.shownC ?? 0) - 21;
			kiln.advance(600);
			return Math.log(before / ((kiln.shownC ?? 0) - 21)) * 6;
		};
		const early = perHour();
		kiln.advance(4 * HOUR);
		expect(Math.abs(early / perHour() - 1)).toBeGreaterThan(0.05);
		expect(DEFAULT_KILN.powerW).not.toBe(5200);
	});

	it("waits when it is held, goes on when it is released, skips and stops", () => {
		const kiln = new StandInKiln(2);
		kiln.start(FIRING);
		kiln.advance(HOUR);
		kiln.hold();
		const held = kiln.setC;
		kiln.advance(HOUR);
		expect(kiln.setC).toBe(held);
		kiln.release();
		kiln.advance(HOUR);
		expect(kiln.setC).toBeGreaterThan(held ?? 0);
		kiln.skip();
		expect(kiln.segment).toBe(2);
		kiln.stop();
		expect(kiln.status).toBe("complete");
		expect(kiln.setC).toBeNull();
	});

	it("goes on heating with a stuck relay, whatever its controller wants", () => {
		const kiln = new StandInKiln(1);
		kiln.start(FIRING);
		kiln.advance(3 * HOUR);
		kiln.fail("stuckRelay");
		kiln.advance(HOUR);
		expect(kiln.shownC).toBeGreaterThan(850);
	});

	it("shows nothing and lets go with an open sensor", () => {
		const kiln = new StandInKiln(1);
		kiln.start(FIRING);
		kiln.advance(2 * HOUR);
		kiln.fail("openSensor");
		kiln.advance(60);
		expect(kiln.shownC).toBeNull();
		expect(kiln.status).toBe("sensorOpen");
		expect(kiln.duty).toBe(0);
		kiln.fail("none");
		expect(kiln.shownC).toBeGreaterThan(300);
	});

	it("is dark for as long as the power is away, cools, and then waits for somebody", () => {
		const kiln = new StandInKiln(1);
		kiln.start(FIRING);
		kiln.advance(2 * HOUR);
		const hot = kiln.shownC ?? 0;
		kiln.fail("powerCut", 45);
		expect(kiln.dark).toBe(true);
		kiln.advance(46 * 60);
		expect(kiln.dark).toBe(false);
		expect(kiln.status).toBe("powerLost");
		expect(kiln.shownC).toBeLessThan(hot - 50);
		kiln.advance(HOUR);
		expect(kiln.status).toBe("powerLost");
		kiln.release();
		kiln.advance(600);
		expect(kiln.status).toBe("running");
	});
});

describe("its registers", () => {
	it("take a programme and a start at the panel, run fast, and show what a controller shows", () => {
		const controller = new StandInController(1, 0);
		const { registers } = controller;
		const put = (register: number, value: number) => registers.writeUInt16BE(value, register * 2);
		put(REGISTERS.programmeCount, 2);
		for (const [i, value] of [200, 6000, 20, FULL_POWER, 5000, 0].entries()) put(REGISTERS.programme + i, value);
		put(REGISTERS.speedUp, 60);
		controller.written(REGISTERS.speedUp, 1, 0);
		put(REGISTERS.pressStart, 1);
		controller.written(REGISTERS.pressStart, 1, 0);
		controller.tick(60_000);
		expect(registers.readUInt32BE(REGISTERS.elapsedS * 2)).toBe(3600);
		expect(registers.readUInt16BE(REGISTERS.status * 2)).toBe(1);
		expect(Math.abs(registers.readInt16BE(REGISTERS.setC * 2) / 10 - 221)).toBeLessThan(2);
		put(REGISTERS.fault, 2);
		controller.written(REGISTERS.fault, 1, 60_000);
		expect(registers.readInt16BE(REGISTERS.airC * 2)).toBe(NOTHING);
	});

	it("catch up with a firing that began before they were there", () => {
		const controller = new StandInController(2, 0);
		const { registers } = controller;
		registers.writeUInt16BE(1, REGISTERS.programmeCount * 2);
		for (const [i, value] of [150, 5000, 30].entries()) registers.writeUInt16BE(value, (REGISTERS.programme + i) * 2);
		registers.writeUInt32BE(7200, REGISTERS.behindS * 2);
		registers.writeUInt16BE(1, REGISTERS.pressStart * 2);
		controller.written(REGISTERS.behindS, 3, 0);
		expect(registers.readUInt32BE(REGISTERS.elapsedS * 2)).toBe(7200);
		expect(registers.readInt16BE(REGISTERS.airC * 2) / 10).toBeGreaterThan(280);
	});
});
