import { Writable } from "node:stream";
import pino, { type Logger } from "pino";
import { createStream } from "rotating-file-stream";
import { errorFacts } from "./error-facts";

/** A file of the log is begun anew at this size; so many are kept, packed. */
const FILE_SIZE = "10M";
const FILES = 8;

/** A line for whoever sits at the terminal: hour, how bad, what. */
const atTerminal = new Writable({
	write(chunk: Buffer, _, done) {
		const { time, level, msg, code, request } = JSON.parse(chunk.toString()) as Record<string, string>;
		const more = [code && `(${code})`, request && `[request ${request}]`].filter(Boolean).join(" ");
		process.stderr.write(`${String(time).slice(11, 19)} ${level} ${msg} ${more}`.trimEnd().concat("\n"), () => done());
	},
});

function build(): Logger {
	const folder = process.env.ZEPHYR_LOG_FOLDER;
	const name = process.env.ZEPHYR_PROCESS ?? "server";
	const streams: pino.StreamEntry[] = [{ level: "warn", stream: atTerminal }];
	if (folder) streams.push({ level: "info", stream: fileIn(folder, `${name}.log`) });
	return pino(
		{
			base: { process: name },
			timestamp: pino.stdTimeFunctions.isoTime,
			formatters: { level: (level) => ({ level }) },
		},
		pino.multistream(streams),
	);
}

/** A log that cannot be written is no reason to end. */
function fileIn(path: string, name: string): Writable {
	const file = createStream(name, { path, size: FILE_SIZE, maxFiles: FILES, compress: "gzip", mode: 0o600 });
	file.on("error", (error: Error) => process.stderr.write(`The log ${name} cannot be written: ${error.message}\n`));
	return file;
}

let instance: Logger | undefined;

/** The process's log: lines of JSON in ZEPHYR_LOG_FOLDER, rotated; what is bad at the terminal too. Never what people typed. */
export function log(): Logger {
	instance ??= build();
	return instance;
}

/** Something went wrong: what, and of the error only what holds nothing that a person typed. */
export function logError(what: string, error: unknown, more: Record<string, unknown> = {}): void {
	log().error({ ...errorFacts(error), ...more }, what);
}
