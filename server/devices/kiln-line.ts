import type { KilnCommand, LineSettings, LineStatus } from "@contract/kiln";
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
	/** Undefined where this line can only be read. */
	command?(command: KilnCommand): Promise<void>;
	close(): void;
}

export const openLine = (settings: LineSettings, timeZone: string): KilnLine =>
	settings.driver === "modbus" ? modbusLine(settings) : folderLine(settings.folder, timeZone);
