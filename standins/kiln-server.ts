import { createServer, type Server, type Socket } from "node:net";
import { server as modbus } from "jsmodbus";
import { StandInController } from "./kiln-registers";

/** How late answers are when readings are late, ms: longer than anybody waits. */
const LATE_MS = 6000;
const TICK_MS = 250;

/**
 * Stand-in kilns 1 … `count`, each speaking Modbus TCP on loopback at `basePort` + its number.
 * @param mark by which a house knows its own, 32 bits
 */
export async function serveKilns(basePort: number, count: number, mark = 0): Promise<{ close(): Promise<void> }> {
	const servers = Array.from({ length: count }, (_, i) => serveKiln(i + 1, mark));
	await Promise.all(
		servers.map(
			({ listener }, i) =>
				new Promise<void>((done, fail) => {
					listener.once("error", fail);
					listener.listen(basePort + i + 1, "127.0.0.1", done);
				}),
		),
	);
	return {
		close: async () => {
			for (const { stop } of servers) stop();
		},
	};
}

function serveKiln(number: number, mark: number): { listener: Server; stop(): void } {
	const controller = new StandInController(number, Date.now(), mark);
	const sockets = new Set<Socket>();
	const listener = createServer((socket) => {
		sockets.add(socket);
		socket.on("close", () => sockets.delete(socket));
		socket.on("error", () => socket.destroy());
		if (controller.dark) socket.destroy();
		else lateWhenTold(socket, controller);
	});
	const line = new modbus.TCP(listener, { holding: controller.registers });
	line.on("preReadHoldingRegisters", () => controller.tick(Date.now()));
	// What was written is only told beforehand; the registers hold it afterwards.
	let written = { from: 0, count: 0 };
	line.on("preWriteSingleRegister", (request: unknown) => {
		written = { from: bodyOf(request).address, count: 1 };
	});
	line.on("preWriteMultipleRegisters", (request: unknown) => {
		const { address, quantity = 1 } = bodyOf(request);
		written = { from: address, count: quantity };
	});
	const act = () => {
		controller.written(written.from, written.count, Date.now());
		written = { from: 0, count: 0 };
	};
	line.on("postWriteSingleRegister", act);
	line.on("postWriteMultipleRegisters", act);
	const timer = setInterval(() => {
		controller.tick(Date.now());
		if (controller.dark) for (const socket of sockets) socket.destroy();
	}, TICK_MS);
	return {
		listener,
		stop() {
			clearInterval(timer);
			for (const socket of sockets) socket.destroy();
			listener.close();
		},
	};
}

const bodyOf = (request: unknown) => (request as { body: { address: number; quantity?: number } }).body;

/** Holds back what the kiln answers while its readings are late; without power it answers nothing. */
function lateWhenTold(socket: Socket, controller: StandInController): void {
	const write = socket.write.bind(socket) as (...args: unknown[]) => boolean;
	socket.write = ((...args: unknown[]) => {
		if (controller.dark) {
			socket.destroy();
			return false;
		}
		if (controller.fault !== "lateReadings") return write(...args);
		setTimeout(() => !socket.destroyed && write(...args), LATE_MS);
		return true;
	}) as typeof socket.write;
}
