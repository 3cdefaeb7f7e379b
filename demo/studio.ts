import { FAMILY_90, FAMILY_96, type GlassFamily } from "@core/glass/family";
import type { Glass } from "@core/glass/glass";
import { DEFAULT_KILN } from "@core/kiln/kiln";

/** The made-up studio: a glass room in a former grain-and-wind-pump works on a high plain. Everybody in it is invented. */
export const STUDIO = { name: "Tailvane Glass Room", timeZone: "America/Denver" };

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

const sheet = (
	id: string,
	name: string,
	opacity: Glass["opacity"],
	bought: string,
	rest: Partial<Glass> = {},
): Glass => ({
	id,
	name,
	familyId: "90",
	form: "sheet",
	thicknessMm: 3,
	opacity,
	tone: "other",
	boughtColour: bought,
	firedColour: rest.firedColour ?? bought,
	...rest,
});

export const GLASSES: Glass[] = [
	sheet("clear", "clear", "clear", "#dcebe4"),
	sheet("clear-thin", "clear, thin", "clear", "#e3efe9", { thicknessMm: 2 }),
	sheet("stubble", "stubble", "opalescent", "#e0bd62"),
	sheet("tin-roof", "tin roof", "opalescent", "#7f97a3"),
	sheet("dusk", "dusk", "transparent", "#4c5f86"),
	sheet("high-sky", "high sky", "transparent", "#8fc1d8"),
	sheet("pump-rust", "pump rust", "opalescent", "#d9bfae", { firedColour: "#b0512b" }),
	sheet("windbreak", "windbreak", "opalescent", "#6c8c53"),
	sheet("axle-black", "axle black", "opalescent", "#2a2f2f", { tone: "dark" }),
	sheet("limewash", "limewash", "opalescent", "#f3efe3", { tone: "white" }),
	sheet("thistle", "thistle", "opalescent", "#7c4c72"),
	sheet("clear-96", "clear 96", "clear", "#dfe9ea", { familyId: "96" }),
	sheet("lantern-96", "lantern 96", "opalescent", "#e2943f", { familyId: "96" }),
	sheet("barn-pane", "old barn pane", "clear", "#d4e6d6", { familyId: "barn-pane" }),
];

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
		doorSide: "front" as const,
		uses: 87,
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
