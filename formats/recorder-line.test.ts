import type { RecorderForm } from "@core/kiln/log";
import { describe, expect, it } from "vitest";
import { previewLog, readLog } from "./kiln-log";
import { readRecorded } from "./recorder-line";

const ZONE = "Europe/Zurich";
const FORM: RecorderForm = {
	delimiter: ";",
	header: ["stamp", "hall", "oven °C"],
	columns: 3,
	mapping: {
		time: { column: 0, as: "dayFirst", startsAt: null },
		air: 2,
		set: null,
		duty: null,
		kwh: null,
		unit: "C",
		dutyIn: "share",
		decimal: ",",
	},
};
const HEAD = "stamp;hall;oven °C\n";
const read = (text: string, form = FORM) => {
	const { readings, misfit, foreign } = readRecorded(text, form, ZONE);
	return { air: readings.map(({ airC }) => airC), misfit, foreign };
};

describe("a recorder's lines, read as they were confirmed", () => {
	it("are what they were confirmed to be", () => {
		const { readings } = readRecorded(
			`${HEAD}04.05.2031 10:00:00;19,5;781,2\n04.05.2031 10:01:00;19,5;783\n`,
			FORM,
			ZONE,
		);
		expect(readings).toMatchObject([
			{ atMs: Date.parse("2031-05-04T08:00:00Z"), airC: 781.2, setC: null },
			{ atMs: Date.parse("2031-05-04T08:01:00Z"), airC: 783 },
		]);
	});

	it.each([
		["columns change places", "stamp;oven °C;hall\n04.05.2031 10:00:00;781,2;19,5\n", "header"],
		["the unit in the names changes", "stamp;hall;oven °F\n04.05.2031 10:00:00;67,1;1438,2\n", "header"],
		["names are missing", "04.05.2031 10:00:00;19,5;781,2\n", "header"],
		["a column more", `${HEAD}04.05.2031 10:00:00;19,5;781,2;ok\n`, "columns"],
		["another sign between columns", `${HEAD}04.05.2031 10:00:00,19.5,781.2\n`, "columns"],
		["the decimal sign changes", `${HEAD}04.05.2031 10:00:00;19.5;781.2\n`, "number"],
		["a thousand and three, or one and three thousandths", `${HEAD}04.05.2031 10:00:00;19,5;1,003\n`, "number"],
		["the unit behind the figure changes", `${HEAD}04.05.2031 10:00:00;67,1;1438,2 °F\n`, "unit"],
		["the year first", `${HEAD}2031-05-04 10:00:00;19,5;781,2\n`, "time"],
		["a day that is none", `${HEAD}31.04.2031 10:00:00;19,5;781,2\n`, "time"],
		["the month first, told by a day over 12", `${HEAD}05.14.2031 10:00:00;19,5;781,2\n`, "time"],
	])("no reading where %s", (_, text, misfit) => expect(read(text)).toMatchObject({ air: [], misfit }));

	it("reads on where other names were only for a while, and says what is so at the end", () => {
		const swapped = "stamp;oven °C;hall\n04.05.2031 10:01:00;781,2;19,5\n";
		const before = `${HEAD}04.05.2031 10:00:00;19,5;780\n`;
		expect(read(before + swapped)).toEqual({ air: [780], misfit: "header", foreign: true });
		expect(read(`${before + swapped + HEAD}04.05.2031 10:02:00;19,5;782\n`)).toEqual({
			air: [780, 782],
			misfit: null,
			foreign: false,
		});
	});

	it.each(["", "---", "n/a", "OL", "open", "Err"])("takes %j for a sensor that gives nothing", (cell) =>
		expect(read(`${HEAD}04.05.2031 10:00:00;19,5;${cell}\n`)).toMatchObject({ air: [null], misfit: null }),
	);

	it("a line that is garbled is none; those after it are read again", () => {
		const text = `${HEAD}04.05.2031 10:00:00;19,5;78#\n04.05.2031 10:01:00;19,5;783,5\n`;
		expect(read(text)).toMatchObject({ air: [783.5], misfit: null });
	});
});

describe("a log that is brought in", () => {
	const guess = (text: string) => {
		const preview = previewLog(text, Date.parse("2031-05-05T00:00:00Z"));
		return preview.ok ? preview.value.guess : null;
	};
	const lines = (head: string, ...rows: string[]) => `${head}\n${rows.join("\n")}\n`;

	it.each([
		["time,ambient temp,kiln temp", "2031-05-04 10:00,24,821", "2031-05-04 10:01,24,820", 2],
		["time,cold junction,TC1,TC2", "2031-05-04 10:00,24,821,30", "2031-05-04 10:01,24,820,30", 2],
		["date;Room °C;Chamber °C", "2031-05-04 10:00;24,1;821,5", "2031-05-04 10:01;24,1;820,5", 2],
		["date,case,shelf", "2031-05-04 10:00,24,821", "2031-05-04 10:01,24,820", 2],
	])("the kiln's column is told from others by its name: %s", (head, one, two, air) =>
		expect(guess(lines(head, one, two))?.air).toBe(air),
	);

	it("a unit that is stated wins, whatever single values are", () => {
		const text = lines("time,kiln °C", "2031-05-04 10:00,121", "2031-05-04 10:01,1372", "2031-05-04 10:02,120.5");
		const mapping = guess(text);
		expect(mapping?.unit).toBe("C");
		const log = mapping && readLog(text, mapping, ZONE);
		expect(log?.ok && log.value.points.map(({ airC }) => airC)).toEqual([121, 1372, 120.5]);
		expect(guess(lines("time,kiln", "2031-05-04 10:00,121 C", "2031-05-04 10:01,1372 C"))?.unit).toBe("C");
		expect(guess(lines("time,kiln", "2031-05-04 10:00,121", "2031-05-04 10:01,1372"))?.unit).toBe("F");
	});

	it("a value that could mean two things is a gap", () => {
		const text = lines("time;kiln", "2031-05-04 10:00;998,5", "2031-05-04 10:01;1,003", "2031-05-04 10:02;1001,5");
		const mapping = guess(text);
		expect(mapping?.decimal).toBe(",");
		const log = mapping && readLog(text, mapping, ZONE);
		expect(log?.ok && log.value.points.map(({ airC }) => airC)).toEqual([998.5, null, 1001.5]);
	});

	it.each([
		["05/04/2031 10:00", "monthFirst"],
		["04/05/2031 10:00", "dayFirst"],
		["25/04/2031 10:00", "dayFirst"],
		["04/25/2031 10:00 PM", "monthFirst"],
		["2031/05/04 10:00:30", "instant"],
	])("%s is taken for %s: the reading nearest before today", (cell, form) =>
		expect(guess(lines("time,kiln", `${cell},20`, `${cell},21`, `${cell},22`))?.time.as).toBe(form),
	);
});
