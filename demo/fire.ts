import { newSchedule, PLAIN_PIECE, type ScheduleDocument } from "@core/firing/document";
import { USUAL_SCHOOLS } from "@core/firing/schools";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import type { Look, MicrowaveStep } from "@core/microwave/programme";

/** Schedules, ovens and microwave runs of the demo studio. Everything in here is invented. */
const full = newSchedule("Full fuse, double", FAMILY_90, DEFAULT_KILN, [
	{ ...PLAIN_PIECE, id: "two singles", trappedSpanMm: 96 },
]);
const tack = newSchedule("Wind-vane tack", FAMILY_90, DEFAULT_KILN, [
	{ ...PLAIN_PIECE, id: "vane on its base", level: "tack", thickestMm: 9, effectiveMm: 18, multiLevel: true },
]);
const slump = newSchedule("Map dish slump", FAMILY_90, DEFAULT_KILN, [
	{ ...PLAIN_PIECE, id: "dish blank", level: "slump", fired: true, acrossMm: 140 },
]);
const dots = newSchedule(
	"Dots",
	FAMILY_90,
	DEFAULT_KILN,
	[{ ...PLAIN_PIECE, id: "10 mm squares", thickestMm: 3, effectiveMm: 3, acrossMm: 10 }],
	{ ...USUAL_SCHOOLS, dots: "straightUp" },
);
const lantern = newSchedule("Lantern contour, 96", FAMILY_96, DEFAULT_KILN, [
	{ ...PLAIN_PIECE, id: "roof tiles on a base", level: "contour", thickestMm: 9, effectiveMm: 13.5 },
]);

export const SCHEDULES: ScheduleDocument[] = [
	{ ...full, note: "What most coasters go through." },
	{ ...tack, note: "Edges softened, every bar still to be felt." },
	{ ...slump, mouldMaxC: 900, note: "Fresh wash, vent open, blank centred." },
	{ ...dots, note: "Loose on paper, nothing else in the kiln." },
	lantern,
];

export const PAST_TESTS = [
	"colour tiles for the autumn kits",
	"windmill blades, three heights of bar",
	"thistle against high sky",
	"two hundred dots for the night-sky kit",
];

export const OVENS = [
	{ name: "Galley oven", watts: [180, 350, 500, 750] },
	{ name: "Shed oven", watts: [240, 440, 700, 1000] },
];

interface BlockRun {
	oven: number;
	what: string;
	wanted: Look;
	outcome: Look;
	fired: boolean;
	steps: MicrowaveStep[];
	looks: [number, Look][];
	coolingMin: number;
	note: string;
}

const steps = (...pairs: [number, number][]): MicrowaveStep[] => pairs.map(([watts, seconds]) => ({ watts, seconds }));

export const BLOCK_RUNS: BlockRun[] = [
	{
		oven: 0,
		what: "brooch, weathercock",
		wanted: "rounded",
		outcome: "edgesSoft",
		fired: false,
		steps: steps([350, 240], [500, 240]),
		looks: [[480, "edgesSoft"]],
		coolingMin: 55,
		note: "stopped too early",
	},
	{
		oven: 0,
		what: "brooch, barn door",
		wanted: "rounded",
		outcome: "rounded",
		fired: false,
		steps: steps([350, 240], [500, 240], [500, 30], [500, 30]),
		looks: [
			[480, "glowing"],
			[510, "edgesSoft"],
			[540, "rounded"],
		],
		coolingMin: 62,
		note: "",
	},
	{
		oven: 0,
		what: "pendant, hail on tin roof",
		wanted: "flat",
		outcome: "flat",
		fired: false,
		steps: steps([350, 240], [500, 270], [500, 30], [500, 30], [500, 30]),
		looks: [
			[540, "rounded"],
			[600, "flat"],
		],
		coolingMin: 70,
		note: "turned half way: the back heats faster",
	},
	{
		oven: 1,
		what: "brooch, kite",
		wanted: "rounded",
		outcome: "flat",
		fired: false,
		steps: steps([440, 220], [700, 180], [700, 30]),
		looks: [
			[400, "rounded"],
			[430, "flat"],
		],
		coolingMin: 66,
		note: "the shed oven is stronger than its label",
	},
	{
		oven: 1,
		what: "capped brooch, second firing",
		wanted: "rounded",
		outcome: "rounded",
		fired: true,
		steps: steps([440, 180], [1000, 60], [1000, 30], [1000, 30]),
		looks: [[300, "rounded"]],
		coolingMin: 64,
		note: "",
	},
];
