import { Socket } from "node:net";
import type { LineSettings } from "@contract/documents/kiln";
import type { Segment } from "@core/firing/schedule";
import { STAND_IN } from "@core/kiln/register-map";
import { STAND_IN_FAULTS, type StandInFault } from "@standins/kiln-physics";
import { FULL_POWER, REGISTERS } from "@standins/kiln-registers";
import { client as modbus } from "jsmodbus";
import { refuseNeighbours } from "./own-stand-in";
import { standInPort } from "./stand-in-port";

/**
 * The stand-in kiln's front panel: what a person standing at a real kiln does with their fingers. Not part of the kiln line,
 * which only reads: there is no such thing for a real kiln.
 */
export const isStandIn = (line: LineSettings | null): line is Extract<LineSettings, { driver: "modbus" }> =>
	line?.driver === "modbus" && line.host === STAND_IN;

/** Longer than its answers ever take, also while they are late. */
const PATIENCE_MS = 8000;

async function atPanel(kilnNumber: number, press: (client: InstanceType<typeof modbus.TCP>) => Promise<unknown>) {
	const socket = new Socket();
	const client = new modbus.TCP(socket, 1, PATIENCE_MS);
	try {
		await new Promise<void>((done, fail) => {
			socket.once("error", fail);
			socket.connect({ host: "127.0.0.1", port: standInPort(kilnNumber) }, done);
		});
		await refuseNeighbours(client);
		await press(client);
	} finally {
		socket.destroy();
	}
}

const high = (value: number) => Math.floor(value / 65_536);

/** Types a programme in and presses start; `behindS` is how long ago that was, in kiln seconds. */
export const pressStart = (kilnNumber: number, segments: readonly Segment[], speedUp: number, behindS = 0) =>
	atPanel(kilnNumber, async (client) => {
		const programme = segments.flatMap(({ rateCPerH, targetC, holdMin }) => [
			rateCPerH === "full" ? FULL_POWER : Math.round(rateCPerH),
			Math.round(targetC * 10),
			Math.round(holdMin),
		]);
		await client.writeMultipleRegisters(REGISTERS.programmeCount, [segments.length, ...programme]);
		await client.writeSingleRegister(REGISTERS.speedUp, speedUp);
		const behind = Math.max(0, Math.round(behindS));
		await client.writeMultipleRegisters(REGISTERS.behindS, [high(behind), behind % 65_536, 1]);
	});

/** Lets it fail; a power cut ends by itself after `forMin` minutes of kiln time. */
export const letFail = (kilnNumber: number, fault: StandInFault, forMin: number) =>
	atPanel(kilnNumber, async (client) => {
		const told = client.writeMultipleRegisters(REGISTERS.fault, [STAND_IN_FAULTS.indexOf(fault), Math.round(forMin)]);
		// Without power it cannot answer any more that it heard.
		await (fault === "powerCut" ? told.catch(() => {}) : told);
	});

const PANEL_COMMANDS = { hold: 1, release: 2, skip: 3, stop: 4, resume: 6 } as const;

/** Presses one of its buttons. */
export const pressButton = (kilnNumber: number, button: keyof typeof PANEL_COMMANDS) =>
	atPanel(kilnNumber, (client) => client.writeSingleRegister(REGISTERS.command, PANEL_COMMANDS[button]));
