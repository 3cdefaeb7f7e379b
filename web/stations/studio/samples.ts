import type { KilnCell } from "@contract/kilns";
import type { Picture } from "@contract/kits";
import type { PieceBrief } from "@contract/pieces";
import { curveOf, type Schedule } from "@core/firing/schedule";
import { asMadeAt } from "@core/journey/as-made-differs";
import type { AsMade } from "@core/journey/events";
import type { KilnHeat } from "@core/kiln/heat";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import type { Finding } from "@core/stack/finding";
import { say } from "@core/units/phrase";

/** Made-up things to show the frame's pieces in every state; nothing here is stored. */
export const schedule: Schedule = {
	segments: [
		{ name: "up", rateCPerH: 222, targetC: 663, holdMin: 30 },
		{ name: "peak", rateCPerH: 333, targetC: 802, holdMin: 10 },
		{ name: "drop", rateCPerH: "full", targetC: 482, holdMin: 60 },
		{ name: "down1", rateCPerH: 83, targetC: 427, holdMin: 0 },
		{ name: "down2", rateCPerH: 149, targetC: 372, holdMin: 0 },
		{ name: "down3", rateCPerH: 330, targetC: 50, holdMin: 0 },
	],
};

export const plan = curveOf(schedule, DEFAULT_KILN);

const measured = (measuredC: number): KilnHeat => ({
	how: "measured",
	measuredC,
	at: "2031-03-08T06:00:00Z",
	ofThisFiring: true,
});

const cell = (change: Partial<KilnCell>): KilnCell => ({
	id: `${change.name}`,
	name: "Hopper kiln",
	kind: "electric",
	state: "running",
	heat: measured(20),
	readAgoS: 5,
	uses: 12,
	isClosed: false,
	phase: ["heating"],
	firing: null,
	...change,
});

const firing = (change: Partial<NonNullable<KilnCell["firing"]>>): KilnCell["firing"] => ({
	id: "f",
	number: 7,
	level: "full",
	pieces: 9,
	speedUp: 1,
	startsAt: null,
	startedAt: "2031-03-08T06:00:00Z",
	elapsedS: 9000,
	openAt: "2031-03-09T05:40:00Z",
	plan,
	totalS: 62_000,
	...change,
});

export const kilns: KilnCell[][] = [
	[
		cell({
			name: "without a line",
			phase: ["anneal, by the plan"],
			readAgoS: null,
			heat: { how: "computed", computedC: 514, why: "noLine" },
			firing: firing({ elapsedS: 24_000 }),
		}),
		cell({
			name: "read by a person",
			phase: ["read its display"],
			heat: { how: "read", readC: 46, readBy: "Ilse Varnhold", at: "2031-03-08T06:00:00Z" },
			state: "canOpen",
			firing: firing({ elapsedS: 61_000 }),
		}),
		cell({
			name: "sensor at fault",
			readAgoS: null,
			heat: { how: "nothing", why: "sensorFault", last: null },
			firing: firing({ elapsedS: 50_000 }),
		}),
	],
	[
		cell({ name: "empty", state: "empty", phase: ["empty"] }),
		cell({ name: "heating, dull red", heat: measured(640), firing: firing({}) }),
		cell({
			name: "at the peak",
			heat: measured(802),
			phase: ["holding the peak"],
			firing: firing({ elapsedS: 14_500 }),
		}),
	],
	[
		cell({
			name: "planned",
			state: "planned",
			phase: ["planned, not started"],
			firing: firing({ startedAt: null, openAt: null, elapsedS: 0 }),
		}),
		cell({
			name: "a fast stand-in with a very long name",
			heat: measured(508),
			phase: ["anneal"],
			firing: firing({ speedUp: 600, elapsedS: 24_000 }),
		}),
		cell({
			name: "cool",
			state: "canOpen",
			heat: measured(46),
			phase: ["below ", { c: 50 }],
			firing: firing({ elapsedS: 61_000 }),
		}),
	],
];

const MADE: AsMade = { widthMm: 96, heightMm: 96, thickestMm: 6, thinnestMm: 6, massG: null, changed: "" };

const piece = (change: Partial<PieceBrief>): PieceBrief => ({
	id: change.code ?? "",
	kitVersionId: "k",
	code: "K7DHM",
	student: "Ilse Varnhold",
	kit: "Nine-patch coaster",
	familyId: "90",
	state: "queued",
	level: "full",
	hadLevel: null,
	seq: 2,
	step: 0,
	route: [{ level: "full", handWork: "" }],
	stack: [
		{ colour: "#dcebe4", mm: 3 },
		{ colour: "#e0bd62", mm: 3 },
	],
	stackCode: "90 | 3·3 | full",
	effectiveMm: 6,
	planned: null,
	body: asMadeAt(null, MADE, "full"),
	asMade: MADE,
	good: null,
	readyFrom: null,
	spot: null,
	since: "2031-03-08T06:00:00Z",
	promisedDay: "2031-03-09",
	promise: "ok",
	firingId: null,
	...change,
});

export const pieces: PieceBrief[] = [
	piece({ code: "K7DHM" }),
	piece({
		code: "P3XRC",
		student: "Caspian Oduwole-Farthing of the Upper Windbreak",
		level: "tack",
		stack: [3, 3, 2, 3].map((mm, i) => ({ mm, colour: ["#dcebe4", "#4c5f86", "#b0512b", "#f3efe3"][i] ?? "" })),
	}),
	piece({ code: "W9FJT", student: null, kit: null, level: "slump", stack: [] }),
];

export const picture: Picture = {
	widthMm: 96,
	heightMm: 96,
	shapes: [
		{ d: "M-48 -48L48 -48L48 48L-48 48Z", colour: "#dcebe4" },
		{ d: "M-40 -40L40 -40L0 40Z", colour: "#b0512b" },
	],
};

export const findings: Finding[] = [
	{
		code: "family-conflict",
		severity: "stop",
		sentence: say`${{ n: 2 }} families in one piece (90 and 96): it cracks, sometimes weeks later.`,
		remedy: say`Cut ${{ n: 3 }} parts from the other family’s glass instead.`,
		partIds: [],
	},
	{
		code: "loose",
		severity: "fix",
		sentence: say`Vane lies on nothing by ${{ mm: 2 }}: touching is not joining, it pulls away.`,
		remedy: say`Let it lie on a neighbour by ${{ mm: 2 }} to ${{ mm: 3 }}.`,
		partIds: [],
	},
	{
		code: "draws-in",
		severity: "know",
		sentence: say`${{ mm: 3 }} of glass on average draws in ${{ mm: 1.9 }} a side at full.`,
		remedy: say`Two singles, ${{ mm: 6 }}, keep their outline.`,
		partIds: [],
	},
];
