import type { LineSettings } from "@contract/documents/kiln";
import type { LineStatus } from "@core/kiln/line-status";
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

/** The one thing the studio asks of a kiln: to be read. Whoever allows it may also let it be steered. */
export interface KilnLine {
	/** Readings since the last time; a line that answers at once gives one. Fails where nothing answers. */
	read(since: Date | null): Promise<LineReading[]>;
	/** All that was read last is kept; what was not is read again. */
	kept?(): void;
	/** Undefined where this line can only be read. */
	command?(command: KilnCommand): Promise<void>;
	close(): void;
}

export const openLine = (settings: LineSettings, timeZone: string): KilnLine =>
	settings.driver === "modbus" ? modbusLine(settings) : folderLine(settings.folder, timeZone);
