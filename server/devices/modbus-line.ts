import { Socket } from "node:net";
import type { LineSettings } from "@contract/documents/kiln";
import { LINE_STATUSES } from "@core/kiln/line-status";
import { type KilnCommand, type Register, type RegisterMap, STAND_IN } from "@core/kiln/register-map";
import { client as modbus } from "jsmodbus";
import { kilnAddress } from "./kiln-host";
import type { KilnLine, LineReading } from "./kiln-line";
import { LineError } from "./line-error";
import { refuseNeighbours } from "./own-stand-in";
import { standInPort } from "./stand-in-port";

type ModbusSettings = Extract<LineSettings, { driver: "modbus" }>;

/** A controller that does not answer within this is not there, ms. */
const ANSWER_MS = 2000;
/** Registers nearer together than this are asked for at once. */
const SPAN = 100;

const VALUES = ["airC", "setC", "duty", "kwh", "segment", "elapsedS", "status"] as const;
type Value = (typeof VALUES)[number];

/** A generic ramp controller on Modbus TCP, read by its register map. One connection, made again whenever it is lost. */
export function modbusLine(settings: ModbusSettings): KilnLine {
	let open: { socket: Socket; client: InstanceType<typeof modbus.TCP> } | undefined;
	const drop = () => {
		open?.socket.destroy();
		open = undefined;
	};
	const connected = async () => {
		if (open && !open.socket.destroyed) return open.client;
		const socket = new Socket();
		// Made before the socket connects: it counts itself offline until it hears of that.
		const client = new modbus.TCP(socket, settings.unit, ANSWER_MS);
		await connect(socket, settings);
		socket.on("error", drop);
		socket.on("close", drop);
		open = { socket, client };
		if (settings.host === STAND_IN) await refuseNeighbours(client);
		return client;
	};
	/** Anything that goes wrong ends the connection: a late answer must never be taken for the next one. */
	const whole = async <T>(ask: (client: InstanceType<typeof modbus.TCP>) => Promise<T>): Promise<T> => {
		try {
			return await withinTime(ask(await connected()));
		} catch (error) {
			drop();
			throw error instanceof LineError ? error : new LineError(isAnswer(error) ? "refuses" : "silent");
		}
	};
	return {
		read: () =>
			whole(async (client) => {
				const words = await readWords(client, settings.map);
				return { readings: [readingOf(settings.map, words)], unread: null };
			}),
		command: (command: KilnCommand) =>
			whole(async (client) => {
				const coded = settings.map.commands[command];
				if (!coded) throw new LineError("unmapped");
				await client.writeSingleRegister(coded.address, coded.value);
			}),
		close: drop,
	};
}

async function connect(socket: Socket, { host, port }: ModbusSettings): Promise<void> {
	const place =
		host === STAND_IN
			? { host: "127.0.0.1", port: standInPort(port) }
			: { host: await withinTime(kilnAddress(host)), port };
	return new Promise((done, fail) => {
		socket.setTimeout(ANSWER_MS, () => socket.destroy(new Error("no answer")));
		socket.once("error", fail);
		socket.connect(place, () => {
			socket.setTimeout(0);
			socket.off("error", fail);
			done();
		});
	});
}

/** The controller itself said no; anything else that went wrong is said in one way, whatever stands at that address. */
const isAnswer = (error: unknown): boolean => (error as { err?: string } | undefined)?.err === "ModbusException";

async function withinTime<T>(answer: Promise<T>): Promise<T> {
	let timer: NodeJS.Timeout | undefined;
	const late = new Promise<never>((_, fail) => {
		timer = setTimeout(() => fail(new Error("the controller answers too late")), ANSWER_MS + 500);
	});
	try {
		return await Promise.race([answer, late]);
	} finally {
		clearTimeout(timer);
	}
}

const key = (table: string, address: number) => `${table}/${address}`;
const wordsOf = ({ type }: Register) => (type === "u32" ? 2 : 1);

/** All registers of the map, in as few requests as their places allow. */
async function readWords(client: InstanceType<typeof modbus.TCP>, map: RegisterMap): Promise<Map<string, number>> {
	const words = new Map<string, number>();
	for (const table of ["holding", "input"] as const) {
		const wanted = VALUES.flatMap((name) => map[name] ?? [])
			.filter((register) => register.table === table)
			.sort((a, b) => a.address - b.address);
		while (wanted.length > 0) {
			const from = wanted[0]?.address ?? 0;
			const group = wanted.filter((register) => register.address + wordsOf(register) <= from + SPAN);
			wanted.splice(0, group.length);
			const count = Math.max(...group.map((register) => register.address + wordsOf(register))) - from;
			const { response } =
				table === "holding"
					? await client.readHoldingRegisters(from, count)
					: await client.readInputRegisters(from, count);
			const { values } = response.body as { values: ArrayLike<number> };
			for (let i = 0; i < count; i++) words.set(key(table, from + i), values[i] ?? 0);
		}
	}
	return words;
}

/** A register's words as its value; null where it holds what means "nothing". */
export function registerValue(register: Register, high: number, low = 0): number | null {
	const raw =
		register.type === "u32" ? high * 65_536 + low : register.type === "s16" && high > 32_767 ? high - 65_536 : high;
	return raw === register.none ? null : raw * register.scale;
}

function readingOf(map: RegisterMap, words: Map<string, number>): LineReading {
	const value = (name: Value) => {
		const register = map[name];
		if (!register) return null;
		const { table, address } = register;
		return registerValue(register, words.get(key(table, address)) ?? 0, words.get(key(table, address + 1)));
	};
	const segment = value("segment");
	const status = value("status");
	return {
		at: new Date(),
		airC: value("airC"),
		setC: value("setC"),
		duty: value("duty"),
		kwh: value("kwh"),
		segment: segment === null ? null : segment - 1,
		elapsedS: value("elapsedS"),
		status: LINE_STATUSES.find((word) => map.statusWords[word] === status) ?? null,
	};
}
