import type { ConfirmedRecorder, LineSettings } from "@contract/documents/kiln";
import type { LineStatus } from "@core/kiln/line-status";
import type { Unfit } from "@core/kiln/log";
import type { KilnCommand } from "@core/kiln/register-map";
import { folderLine } from "./folder-line";
import { modbusLine } from "./modbus-line";

/** What a kiln's controller says at one instant. What it cannot say is null. */
export interface LineReading {
	at: Date;
	airC: number | null;
	setC: number | null;
	duty: number | null;
	kwh: number | null;
	/** Segment of its programme, counted from 0. */
	segment: number | null;
	/** Seconds of its own clock since its programme began. */
	elapsedS: number | null;
	status: LineStatus | null;
}

/** Why a line that writes says nothing: nobody has confirmed what its lines mean, or they differ from what was confirmed. */
export type Unread = "unconfirmed" | Unfit;

export interface Heard {
	readings: LineReading[];
	unread: Unread | null;
}

/** The one thing the studio asks of a kiln: to be read. Whoever allows it may also let it be steered. */
export interface KilnLine {
	/** Readings since the last time; a line that answers at once gives one. Fails where nothing answers. */
	read(since: Date | null): Promise<Heard>;
	/** All that was read last is kept; what was not is read again. */
	kept?(): void;
	/** Undefined where this line can only be read. */
	command?(command: KilnCommand): Promise<void>;
	close(): void;
}

/** What is needed of a kiln to listen to it. */
export interface Listening {
	line: LineSettings;
	recorder: ConfirmedRecorder | null;
}

/** What a person confirmed of the recorder that writes here now; null where that was of another folder. */
export const confirmedForm = ({ line, recorder }: { line: LineSettings | null; recorder: ConfirmedRecorder | null }) =>
	line?.driver === "folder" && recorder?.folder === line.folder ? recorder : null;

export const openLine = ({ line, recorder }: Listening, timeZone: string): KilnLine =>
	line.driver === "modbus"
		? modbusLine(line)
		: folderLine(line.folder, confirmedForm({ line, recorder })?.form ?? null, timeZone);
