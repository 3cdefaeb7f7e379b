import { readFileSync } from "node:fs";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { NEW_ELEMENTS } from "@core/kiln/record";
import { GENERIC_MAP } from "@core/kiln/register-map";
import Ajv2020 from "ajv/dist/2020";
import { describe, expect, it } from "vitest";
import { SCHEDULES } from "../../demo/fire";
import { said } from "../../tests/support/said";
import { actions } from "../actions";
import { microwaveSteps } from "../microwave";
import { kilnForm } from "./kiln";
import { scheduleDocument, scheduleFileSchema } from "./schedule";

const document = newSchedule("Rooftop", FAMILY_90, DEFAULT_KILN);

const sentence = (result: { success: boolean; error?: { issues: { message: string }[] } }) =>
	result.success ? "" : said(result.error?.issues[0]?.message ?? "");

const first = document.segments[0];

const withSegments = (change: object) => ({ ...document, segments: [{ ...first, ...change }] });

describe("a schedule that comes in", () => {
	it("is read as it was written", () => expect(scheduleDocument.parse(document)).toEqual(document));

	it.each([
		[{ ...document, version: 2 }, "newer version"],
		[{ ...document, segments: [] }, "at least 1 segment"],
		[{ ...document, pieces: [] }, "at least 1 piece"],
		[withSegments({ targetC: 1400 }), "The target must be at most 1000 °C."],
		[withSegments({ holdMin: -1 }), "The hold must be at least 0 min."],
		[withSegments({ rateCPerH: 0 }), "The rate must be at least 1 °C/h."],
		[withSegments({ rateCPerH: "fast" }), "The rate must be at least 1 °C/h."],
		[{ ...document, pieces: [{ ...PLAIN_PIECE, thickestMm: 900 }] }, "The thickest place must be at most 200 mm."],
		[{ ...document, surprise: 1 }, "nrecognized"],
	])("is refused with a sentence: %#", (wrong, words) => {
		expect(sentence(scheduleDocument.safeParse(wrong))).toContain(words);
	});
});

describe("the JSON Schema of a schedule", () => {
	const schema = JSON.parse(JSON.stringify(scheduleFileSchema()));
	// Held against an independent validator of JSON Schema 2020-12.
	const validate = new Ajv2020({ strict: false, allErrors: true }).compile(schema);

	it("is the one in docs", () => {
		const kept = readFileSync(new URL("../../docs/formats/schedule.schema.json", import.meta.url), "utf8");
		expect(JSON.parse(kept)).toEqual(schema);
	});

	it("accepts what we write and refuses what we refuse", () => {
		for (const one of SCHEDULES) expect(validate(one), one.name).toBe(true);
		for (const wrong of [withSegments({ targetC: 1400 }), { ...document, pieces: [] }, { ...document, surprise: 1 }])
			expect(validate(wrong)).toBe(false);
	});
});

describe("a kiln that is written down", () => {
	const kiln = {
		id: "00000000-0000-4000-8000-000000000001",
		name: "Cyclone",
		kind: "electric",
		doorSide: "top",
		shelfShape: "round",
		shelfWidthMm: 400,
		shelfHeightMm: 400,
		marginMm: 10,
		clearHeightMm: 150,
		maxC: 900,
		maxSegments: 8,
		body: DEFAULT_KILN,
		plateW: null,
		zones: [],
		fixtures: [{ kind: "post", xMm: 40, yMm: 40, acrossMm: 38 }],
		elements: { fittedOn: null, dueFirings: NEW_ELEMENTS.dueFirings },
		upkeep: [],
		shelves: [],
		line: { driver: "modbus", host: "127.0.0.1", port: 502, unit: 1, map: GENERIC_MAP },
		permissions: { steer: false, start: false },
	};
	it("of one shelf, as it was written before there were several", () =>
		expect(kilnForm.parse(kiln)).toEqual({ ...kiln, upper: [] }));
	it("is read as it was written", () =>
		expect(kilnForm.parse({ ...kiln, upper: [{ postMm: 60, offsetK: -4 }] }).upper).toEqual([
			{ postMm: 60, offsetK: -4 },
		]));
	it.each([
		[{ ...kiln, line: { ...kiln.line, host: "http://evil/" } }, "The address is a name or number"],
		[{ ...kiln, line: { driver: "folder", folder: "../../etc" } }, "The folder is one word"],
		[{ ...kiln, line: { ...kiln.line, port: 70_000 } }, "The port must be at most 65535."],
		[{ ...kiln, elements: NEW_ELEMENTS }, "nrecognized"],
		[{ ...kiln, body: { ...DEFAULT_KILN, offsetK: 3 } }, "nrecognized"],
		[
			{
				...kiln,
				shelves: [
					{ name: "a", release: "bare" },
					{ name: "a", release: "bare" },
				],
			},
			"Two shelves have the same name.",
		],
		[{ ...kiln, maxC: 3000 }, "The highest temperature must be at most 1300 °C."],
	])("is refused with a sentence: %#", (wrong, words) => {
		expect(sentence(kilnForm.safeParse(wrong))).toContain(words);
	});
});

describe("what is asked of a kiln", () => {
	const firingId = "00000000-0000-4000-8000-000000000002";
	it("has to be said twice", () => {
		const asked = { noteId: firingId, firingId, command: "stop", somebodyThere: false };
		expect(sentence(actions.steerKiln.schema.safeParse(asked))).toBe("Say that this is wanted.");
		expect(actions.steerKiln.schema.safeParse({ ...asked, sure: true }).success).toBe(true);
		expect(actions.steerKiln.schema.safeParse({ ...asked, sure: true, command: "explode" }).success).toBe(false);
	});
	it("a microwave programme has steps a person can press", () => {
		expect(microwaveSteps.safeParse([{ watts: 350, seconds: 240 }]).success).toBe(true);
		expect(sentence(microwaveSteps.safeParse([]))).toContain("at least 1 step");
		expect(sentence(microwaveSteps.safeParse([{ watts: 9000, seconds: 30 }]))).toBe("The power must be at most 2500.");
	});
});
