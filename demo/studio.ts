import { FAMILY_90, FAMILY_96, type GlassFamily } from "@core/glass/family";
import { type FritGrade, type Glass, PLAIN_SHEET } from "@core/glass/glass";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { GENERIC_MAP, STAND_IN } from "@core/kiln/register-map";
import type { Mould } from "@core/kit/mould";
import { type Customs, USUAL_CUSTOMS } from "@core/studio/customs";

/** The made-up studio: a glass room in a former grain-and-wind-pump works on a high plain. Everybody in it is invented. */
export const STUDIO = {
	name: "Tailvane Glass Room",
	timeZone: "America/Denver",
	currency: "USD",
	isDemo: true,
	customs: {
		...USUAL_CUSTOMS,
		quiet: { from: "22:00", to: "06:30" },
		paper: "letter",
		tariff: { kwhMinor: 16.4, shelfHourMinor: 120 },
		cautions: {
			...USUAL_CUSTOMS.cautions,
			cut: "Glass dust goes into the grey bin by the chaff door, wet.",
			bench: "The eyewash stands beside the old chaff door.",
			fire: "One kiln at a time on the pump-house socket: the hopper kiln or the silo kiln.",
		},
	} satisfies Customs,
};

export const PEOPLE = [
	{ name: "Marit Oleandro", email: "marit@tailvane.example", role: "instructor" as const },
	{ name: "Jonty Applewhaite", email: "jonty@tailvane.example", role: "assistant" as const },
];

export const TODAYS_STUDENTS = [
	"Ilse Varnhold",
	"Tobin Acheray",
	"Priya Sandelin",
	"Ruedi Mostowe",
	"Hanneke Bright-Alder",
	"Caspian Oduwole-Farthing",
	"Lene Quist",
	"Abe Torvalley",
];
export const TUESDAY_STUDENTS = [
	"Noor Halvane",
	"Sixten Barrowby",
	"Odile Marchbank",
	"Wim Kestrell",
	"Greta Lindqvale",
	"Femi Ardent",
];
export const FIRST_STUDENTS = ["Ana Belcourt", "Dov Pellerin", "Maeve Stannard", "Ulrik Tamm", "Zola Wetherfield"];

export const FAMILIES: GlassFamily[] = [
	FAMILY_90,
	FAMILY_96,
	{ ...FAMILY_90, id: "barn-pane", label: "barn window pane", expansionE7PerK: 86, tested: false },
];

/** Prices in cents: sheet by m², frit by kg, threads and cane by m. Made up. */
const SHEET_CENTS = 9500;

const sheet = (
	id: string,
	name: string,
	opacity: Glass["opacity"],
	bought: string,
	rest: Partial<Glass> = {},
): Glass => ({
	...PLAIN_SHEET,
	id,
	name,
	familyId: "90",
	opacity,
	boughtColour: bought,
	firedColour: bought,
	priceMinor: SHEET_CENTS,
	...rest,
});

const frit = (id: string, name: string, grade: FritGrade, colour: string, rest: Partial<Glass> = {}): Glass =>
	sheet(id, name, "transparent", colour, { form: "frit", grade, thicknessMm: 0, priceMinor: 4200, ...rest });

export const GLASSES: Glass[] = [
	sheet("clear", "clear", "clear", "#dcebe4", { priceMinor: 7200 }),
	sheet("clear-thin", "clear, thin", "clear", "#e3efe9", { thicknessMm: 2, priceMinor: 6800 }),
	sheet("stubble", "stubble", "opalescent", "#e0bd62", { chemistry: ["sulphur"] }),
	sheet("tin-roof", "tin roof", "opalescent", "#7f97a3"),
	sheet("dusk", "dusk", "transparent", "#4c5f86"),
	sheet("high-sky", "high sky", "transparent", "#8fc1d8", { chemistry: ["copper"] }),
	sheet("pump-rust", "pump rust", "opalescent", "#d9bfae", { firedColour: "#b0512b", chemistry: ["selenium"] }),
	sheet("windbreak", "windbreak", "opalescent", "#6c8c53"),
	sheet("axle-black", "axle black", "opalescent", "#2a2f2f", { tone: "dark" }),
	sheet("limewash", "limewash", "opalescent", "#f3efe3", { tone: "white" }),
	sheet("thistle", "thistle", "opalescent", "#7c4c72"),
	sheet("prairie-streak", "prairie streak", "transparent", "#b9a25e", { directed: true, priceMinor: 13_500 }),
	sheet("hail-ripple", "hail ripple", "clear", "#cfe0dd", { roughFace: true }),
	sheet("mirage", "mirage on black", "opalescent", "#3a4a6e", {
		coating: "dichroic",
		tone: "dark",
		firedColour: "#4b6fae",
		priceMinor: 88_000,
	}),
	frit("clear-coarse", "clear, coarse frit", "coarse", "#dcebe4"),
	frit("dusk-fine", "dusk, fine frit", "fine", "#5b6f98"),
	frit("stubble-powder", "stubble powder", "powder", "#e6cd8b", { chemistry: ["sulphur"] }),
	frit("limewash-powder", "limewash powder", "powder", "#f5f1e6", { tone: "white", opacity: "opalescent" }),
	sheet("axle-thread", "axle black thread", "opalescent", "#2a2f2f", {
		form: "stringer",
		thicknessMm: 1,
		priceMinor: 90,
	}),
	sheet("lime-thread", "limewash thread", "opalescent", "#f3efe3", {
		form: "stringer",
		thicknessMm: 1,
		priceMinor: 90,
	}),
	sheet("rust-ribbon", "pump rust ribbon", "opalescent", "#d9bfae", {
		form: "ribbon",
		thicknessMm: 1.5,
		widthMm: 5,
		firedColour: "#b0512b",
		priceMinor: 240,
	}),
	sheet("cog-cane", "cog cane", "opalescent", "#d7a443", { form: "cane", thicknessMm: 7, priceMinor: 2600 }),
	sheet("clear-96", "clear 96", "clear", "#dfe9ea", { familyId: "96" }),
	sheet("lantern-96", "lantern 96", "opalescent", "#e2943f", { familyId: "96" }),
	sheet("barn-pane", "old barn pane", "clear", "#d4e6d6", { familyId: "barn-pane", priceMinor: null }),
];

export const MOULDS: Mould[] = [
	mould("map-dish", "Map dish, square", { kind: "dish", widthMm: 140, heightMm: 140, depthMm: 22, count: 4 }),
	mould("feed-bowl", "Feed bowl, round", {
		kind: "dish",
		opening: "round",
		widthMm: 152,
		heightMm: 152,
		depthMm: 35,
		count: 2,
	}),
	mould("saddle", "Saddle to drape over", { kind: "drape", widthMm: 120, heightMm: 200, depthMm: 60, vented: false }),
	mould("dial-frame", "Dial frame", { kind: "frame", widthMm: 80, heightMm: 80, depthMm: 0, vented: false, maxC: 60 }),
	mould("bearing-ring", "Bearing ring, steel", {
		kind: "ring",
		opening: "round",
		widthMm: 60,
		heightMm: 60,
		depthMm: 25,
		release: "papered",
		maxC: 950,
	}),
	mould("sack-texture", "Sackcloth texture", {
		kind: "texture",
		widthMm: 160,
		heightMm: 160,
		depthMm: 3,
		texture: "woven sackcloth",
		release: "bare",
		usesSince: 3,
	}),
];

function mould(id: string, name: string, rest: Partial<Mould>): Mould {
	return {
		id,
		name,
		kind: "dish",
		opening: "rectangle",
		widthMm: 100,
		heightMm: 100,
		depthMm: 20,
		texture: "",
		vented: true,
		release: "washed",
		usesSince: 1,
		count: 1,
		maxC: 900,
		...rest,
	};
}

const standIn = (port: number) => ({
	driver: "modbus" as const,
	host: STAND_IN,
	port,
	unit: 1,
	map: GENERIC_MAP,
});

export const KILNS = [
	{
		name: "Hopper kiln",
		kind: "electric" as const,
		sort: 1,
		body: DEFAULT_KILN,
		shelfWidthMm: 500,
		shelfHeightMm: 400,
		marginMm: 15,
		clearHeightMm: 180,
		maxC: 930,
		doorSide: "top" as const,
		uses: 212,
		plateW: 5200,
		zones: [
			{ name: "hinge side", xMm: 0, yMm: 0, widthMm: 500, heightMm: 90, offsetK: -6 },
			{ name: "front edge", xMm: 0, yMm: 320, widthMm: 500, heightMm: 80, offsetK: -3 },
		],
		fixtures: [
			{ kind: "thermocouple" as const, xMm: 250, yMm: 34, acrossMm: 6 },
			{ kind: "post" as const, xMm: 32, yMm: 368, acrossMm: 32 },
		],
		elements: { fittedOn: "2025-02-11", firings: 146, hours: 2480, dueFirings: 200 },
		upkeep: [
			{ what: "renew shelf wash or paper", everyFirings: 8, sinceFirings: 5 },
			{ what: "damp-wipe dust from lid and floor", everyFirings: 5, sinceFirings: 1 },
			{ what: "compare the sensor with a second one", everyFirings: 40, sinceFirings: 22 },
		],
		shelves: [
			{ name: "large, mullite", release: "washed" as const, usesSince: 5 },
			{ name: "large, spare", release: "bare" as const, usesSince: 0 },
		],
		line: standIn(1),
		permissions: { steer: true, start: false },
	},
	{
		name: "Silo kiln",
		kind: "electric" as const,
		sort: 2,
		body: { powerW: 3600, lossWPerK: 2.0, capacityJPerK: 22_000, roomC: 20 },
		shelfWidthMm: 380,
		shelfHeightMm: 380,
		marginMm: 12,
		clearHeightMm: 150,
		maxC: 900,
		maxSegments: 8,
		doorSide: "front" as const,
		uses: 87,
		plateW: 3450,
		zones: [{ name: "by the door", xMm: 0, yMm: 300, widthMm: 380, heightMm: 80, offsetK: -9 }],
		fixtures: [
			{ kind: "thermocouple" as const, xMm: 28, yMm: 190, acrossMm: 6 },
			{ kind: "post" as const, xMm: 34, yMm: 346, acrossMm: 32 },
			{ kind: "post" as const, xMm: 346, yMm: 346, acrossMm: 32 },
			{ kind: "post" as const, xMm: 190, yMm: 34, acrossMm: 32 },
		],
		upper: [{ postMm: 60, offsetK: 4 }],
		elements: { fittedOn: null, firings: 87, hours: 1390, dueFirings: 180 },
		upkeep: [
			{ what: "renew shelf wash or paper", everyFirings: 8, sinceFirings: 7 },
			{ what: "damp-wipe dust from lid and floor", everyFirings: 5, sinceFirings: 2 },
		],
		shelves: [{ name: "square", release: "papered" as const, usesSince: 0 }],
		line: standIn(2),
	},
	{
		name: "Thimble block",
		kind: "microwaveBlock" as const,
		sort: 3,
		body: { powerW: 600, lossWPerK: 0.6, capacityJPerK: 1200, roomC: 20 },
		shelfWidthMm: 70,
		shelfHeightMm: 70,
		marginMm: 5,
		clearHeightMm: 20,
		maxC: 850,
		doorSide: "top" as const,
		uses: 41,
	},
];

export const SPOTS = ["A1", "A2", "A3", "A4", "B1", "B2", "B3", "B4", "C1", "C2", "C3", "C4"];

/** What the coming course says of itself to strangers. */
export const COMING_COURSE = {
	about:
		"A morning between the old bins: two small tiles of roofs and fields, or one wind wheel that takes all of it. Nobody needs to have cut glass before.",
	room: "Bin floor",
	places: 9,
	priceMinor: 6800,
	smallKits: 2,
};

/** Strangers who asked for a place in it. */
export const SIGN_UPS = [
	{ name: "Quilla Mertens-Rowe", email: "quilla@post.example", phone: "", adult: "", note: "", large: false },
	{
		name: "Ansel Tarrow",
		email: "tarrow@post.example",
		phone: "",
		adult: "Imke Tarrow",
		note: "He is twelve and left-handed.",
		large: true,
	},
];
