import type { GlassFamily } from "../glass/family";
import { LOG_ETA_BUBBLE, temperatureAt, viscosityOf } from "../glass/viscosity";
import { ceilingC, type KilnBody, timeConstantS } from "../kiln/kiln";
import type { Finding, Severity } from "../stack/finding";
import { type Phrase, say } from "../units/phrase";
import { COOL_STEP_K, LAST_COOL_CAP_C_PER_H, LONGEST_HOLD_MIN, OPEN_C, RAMP_END_C } from "./build";
import type { Demand } from "./demand";
import { demandOf, SLOW_RAMP_C_PER_H } from "./demand";
import { demandOfDocument, type ScheduleDocument } from "./document";
import { LEVEL_AIM, LEVEL_BANDS, LEVEL_WORDS, levelOf } from "./level";
import { nameSegments } from "./name-segments";
import { planFlow } from "./plan-flow";
import { HEATING_LAG_K, lagStressPa, slabLagK } from "./rates";
import { peakOf, type Segment, UNKNOWN_KILN_DROP_C_PER_H } from "./schedule";
import { solvePeak } from "./solve";

/** What a schedule will do to the glass that it should not, with the figure behind it and one press that mends it. */
export interface ScheduleWarning extends Pick<Finding, "severity" | "sentence" | "remedy"> {
	code: string;
	/** The segment it is about; null for the whole. */
	segment: number | null;
	fix?: { label: Phrase; segments: Segment[] };
}

/** What the kiln's controller and the kiln itself bear. */
export interface KilnLimits {
	maxC: number;
	maxSegments: number;
}

interface Case {
	document: ScheduleDocument;
	segments: readonly Segment[];
	demand: Demand;
	family: GlassFamily;
	kiln: KilnBody | undefined;
	limits: KilnLimits | undefined;
	thickestMm: number;
	peak: number;
}

/** How far from the annealing point a hold still anneals, K: down to near the strain point, and a little above. */
const SOAK_BELOW_K = 45;
const SOAK_ABOVE_K = 14;
const AIR_WINDOW_K = 20;
/** Half a degree an hour is rounding, not a choice. */
const SLACK_C_PER_H = 0.5;

const order: Record<Severity, number> = { stop: 0, fix: 1, know: 2 };

/** Every warning about a schedule, worst first. Figures come from the same rules that would have built it. */
export function checkSchedule(
	document: ScheduleDocument,
	family: GlassFamily,
	kiln?: KilnBody,
	limits?: KilnLimits,
): ScheduleWarning[] {
	const { segments } = document;
	const demand = demandOfDocument(document);
	if (!demand || segments.length === 0) return [];
	const hottest = peakOf({ segments });
	const one: Case = {
		document,
		segments,
		demand,
		family,
		kiln,
		limits,
		thickestMm: Math.max(...document.pieces.map(({ thickestMm }) => thickestMm)),
		peak: segments.findLastIndex(({ targetC }) => targetC === hottest),
	};
	return [
		...firstRamps(one),
		...airHold(one),
		...peakHeat(one),
		...familyLimits(one),
		...soak(one),
		...cooling(one),
		...kilnLimits(one),
		...mouldLimit(one),
	].sort((a, b) => order[a.severity] - order[b.severity] || (a.segment ?? -1) - (b.segment ?? -1));
}

const startOf = ({ segments, kiln }: Case, i: number): number => segments[i - 1]?.targetC ?? kiln?.roomC ?? 20;

const changed = ({ segments }: Case, i: number, change: Partial<Segment>): Segment[] =>
	nameSegments(segments.map((one, k) => (k === i ? { ...one, ...change } : one)));

function firstRamps(one: Case): ScheduleWarning[] {
	const { demand, document, thickestMm, family } = one;
	const allowed = demand.firstRampCPerH;
	if (allowed === "full") return [];
	const pieces = document.pieces.map((piece) => ({ ...piece, level: document.level }));
	const tender = pieces.find((piece) => {
		const plain = demandOf({ ...piece, blackBesideWhite: false, multiLevel: false }, document.schools.cooling);
		const rate = plain.firstRampCPerH;
		return (rate === "full" || rate > SLOW_RAMP_C_PER_H) && (piece.blackBesideWhite || piece.multiLevel);
	});
	return one.segments.flatMap((segment, i): ScheduleWarning[] => {
		const rate = fastestUp(one, i);
		if (segment.targetC <= startOf(one, i) || startOf(one, i) >= RAMP_END_C || rate <= allowed + SLACK_C_PER_H)
			return [];
		const floor = Math.floor(allowed);
		const fix = { label: say`Slow it to ${{ cPerH: floor }}`, segments: changed(one, i, { rateCPerH: floor }) };
		if (tender && allowed === SLOW_RAMP_C_PER_H && document.level === "slump" && !tender.blackBesideWhite) {
			return [
				{
					code: "multiLevelSlump",
					severity: "fix",
					segment: i,
					sentence: say`${tender.id} is of several heights and is to be slumped: ${{ cPerH: rate }} is faster than the ${{ cPerH: allowed }} such pieces bear.`,
					remedy: say`Slower, or a flat piece first. Common practice, no source.`,
					fix,
				},
			];
		}
		if (tender?.blackBesideWhite && allowed === SLOW_RAMP_C_PER_H) {
			return [
				{
					code: "blackBesideWhite",
					severity: "fix",
					segment: i,
					sentence: say`In ${tender.id} black lies beside white, and they heat at different speeds: ${{ cPerH: rate }} instead of at most ${{ cPerH: allowed }}.`,
					remedy: say`Slow the first ramp. Common practice, no source.`,
					fix,
				},
			];
		}
		const lagK = slabLagK(rate, thickestMm);
		const mpa = lagStressPa(lagK, family.expansionE7PerK) / 1e6;
		return [
			{
				code: "rampTooFast",
				severity: lagK > 3 * HEATING_LAG_K ? "stop" : "fix",
				segment: i,
				sentence: say`${{ cPerH: rate }} through ${{ mm: thickestMm }} of cold glass: its faces differ by ${{ n: lagK }} K, ${{ n: mpa }} MPa at worst. At most ${{ cPerH: allowed }} is asked for here.`,
				remedy: say`A crack with rounded edges comes from this. Slow the ramp below ${{ c: RAMP_END_C }}.`,
				fix,
			},
		];
	});
}

/** The rate of an upward segment, °C/h; at full power what the kiln can do from cold. */
function fastestUp({ segments, kiln }: Case, i: number): number {
	const rate = segments[i]?.rateCPerH ?? 0;
	if (rate !== "full") return rate;
	return kiln ? (kiln.powerW / kiln.capacityJPerK) * 3600 : Number.POSITIVE_INFINITY;
}

function airHold(one: Case): ScheduleWarning[] {
	const { demand, segments, family, peak } = one;
	if (demand.airMin === 0) return [];
	const airC = Math.floor(temperatureAt(viscosityOf(family), LOG_ETA_BUBBLE));
	if (airC >= (segments[peak]?.targetC ?? 0)) return [];
	const near = ({ targetC }: Segment) => Math.abs(targetC - airC) <= AIR_WINDOW_K;
	const held = segments
		.slice(0, peak)
		.filter(near)
		.reduce((sum, { holdMin }) => sum + holdMin, 0);
	if (held >= demand.airMin) return [];
	const at = segments.findIndex((segment, i) => i < peak && near(segment));
	const last = segments[peak] as Segment;
	const mended =
		at >= 0
			? changed(one, at, { holdMin: demand.airMin })
			: nameSegments([
					...segments.slice(0, peak).filter(({ targetC }) => targetC < airC),
					{
						name: "up",
						rateCPerH: segments[0]?.rateCPerH ?? last.rateCPerH,
						targetC: airC,
						holdMin: demand.airMin,
					},
					...segments.slice(peak),
				]);
	return [
		{
			code: "airHoldShort",
			severity: "fix",
			segment: at >= 0 ? at : null,
			sentence: say`Sheet lies on sheet and traps air: it is held ${{ min: held }} near ${{ c: airC }}, ${{ min: demand.airMin }} lets the air out.`,
			remedy: say`A big bubble comes from this.`,
			fix: { label: say`Hold ${{ min: demand.airMin }} at ${{ c: airC }}`, segments: mended },
		},
	];
}

function peakHeat(one: Case): ScheduleWarning[] {
	const { document, segments, family, kiln, peak } = one;
	const flow = planFlow({ segments: [...segments] }, viscosityOf(family), kiln);
	const band = LEVEL_BANDS[document.level];
	const aim = document.aim ?? LEVEL_AIM[document.level];
	const reached = levelOf(flow).level;
	const wrong = flow < band.from || flow >= band.to;
	const warnings: ScheduleWarning[] = [];
	if (wrong) {
		const solved = solvePeak(segments, family, kiln, { aim });
		const words = LEVEL_WORDS[document.level];
		const seen = reached ? LEVEL_WORDS[reached] : "nothing lasting";
		warnings.push({
			code: flow < band.from ? "levelMissed" : "levelPassed",
			severity: "stop",
			segment: peak,
			sentence:
				flow < band.from
					? say`Flow index ${{ n: flow }} is ${seen}: ${words} begins at ${{ n: band.from }}.`
					: say`Flow index ${{ n: flow }} is ${seen}, past ${words}, which ends at ${{ n: band.to }}.`,
			remedy: say`${{ c: solved.peakC }} with this hold gives ${{ n: solved.flow }}.`,
			fix: { label: say`Peak at ${{ c: solved.peakC }}`, segments: solved.segments },
		});
	}
	const hold = segments[peak]?.holdMin ?? 0;
	if (hold > LONGEST_HOLD_MIN && document.level !== "deep" && document.level !== "slump") {
		const solved = solvePeak(changed(one, peak, { holdMin: LONGEST_HOLD_MIN }), family, kiln, { aim });
		warnings.push({
			code: "holdLong",
			severity: "fix",
			segment: peak,
			sentence: say`${{ min: hold }} at the peak: beyond ${{ min: LONGEST_HOLD_MIN }} a cloudy skin grows.`,
			remedy: say`Hotter and shorter reaches the same.`,
			fix: {
				label: say`${{ c: solved.peakC }} for ${{ min: LONGEST_HOLD_MIN }}`,
				segments: solved.segments,
			},
		});
	}
	return warnings;
}

function familyLimits({ family, segments, peak }: Case): ScheduleWarning[] {
	const warnings: ScheduleWarning[] = [];
	const hottest = segments[peak]?.targetC ?? 0;
	if (!family.tested)
		warnings.push({
			code: "untested",
			severity: "stop",
			segment: null,
			sentence: say`${family.label} is untested glass: ${{ n: family.expansionE7PerK }} ×10⁻⁷/K is a guess, and so are the points this schedule is made from.`,
			remedy: say`Fire it by itself, after a strain test.`,
		});
	if (hottest > family.workingC)
		warnings.push({
			code: "familyLimit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the working point of ${family.label}, ${{ c: family.workingC }}: it runs like honey.`,
			remedy: say`Lower the peak, or dam the glass and protect the shelf.`,
		});
	return warnings;
}

/** Holds on the way down at a temperature that anneals. */
const annealHolds = ({ segments, family, peak }: Case) =>
	segments
		.map((segment, i) => ({ segment, i }))
		.filter(
			({ segment, i }) =>
				i > peak &&
				segment.holdMin > 0 &&
				segment.targetC >= family.annealingC - SOAK_BELOW_K &&
				segment.targetC <= family.annealingC + SOAK_ABOVE_K,
		);

/** Tiny dots may go straight up and off where that school was chosen. */
const isDots = ({ demand, document }: Case) =>
	demand.firstRampCPerH === "full" && document.schools.dots === "straightUp";

function soak(one: Case): ScheduleWarning[] {
	if (isDots(one)) return [];
	const { demand, family, segments } = one;
	const holds = annealHolds(one);
	const held = holds.reduce((sum, { segment }) => sum + segment.holdMin, 0);
	const needed = Math.round(demand.soakMin);
	if (held >= needed) return [];
	const first = holds[0];
	const drop = segments.findIndex(
		({ targetC }, i) => i > one.peak && Math.abs(targetC - family.annealingC) <= SOAK_BELOW_K,
	);
	const at = first?.i ?? drop;
	const thicknessMm = Math.max(...one.document.pieces.map(({ effectiveMm }) => effectiveMm));
	return [
		{
			code: first ? "soakShort" : "soakMissing",
			severity: first && held > needed / 2 ? "fix" : "stop",
			segment: at >= 0 ? at : null,
			sentence: say`Soaked ${{ min: held }} near the annealing point (${{ c: family.annealingC }}); ${{ mm: thicknessMm }} to anneal as needs ${{ min: needed }}.`,
			remedy: say`A crack with sharp edges, sometimes weeks later, comes from this.`,
			...(at >= 0 && {
				fix: {
					label: say`Soak ${{ min: needed }}`,
					segments: changed(one, at, { holdMin: needed - held + (segments[at]?.holdMin ?? 0) }),
				},
			}),
		},
	];
}

function cooling(one: Case): ScheduleWarning[] {
	if (isDots(one)) return [];
	const { segments, demand, family, kiln, document, peak } = one;
	const soakC = annealHolds(one).at(-1)?.segment.targetC ?? family.annealingC;
	const thicknessMm = Math.max(...document.pieces.map(({ effectiveMm }) => effectiveMm));
	const allowedAt = (c: number) => {
		const below = (soakC - c) / COOL_STEP_K;
		const share = below < 1 ? 1 : below < 2 ? 1.8 : 6;
		return Math.floor(Math.min(LAST_COOL_CAP_C_PER_H, demand.coolCPerH * share));
	};
	const naturalAt = (c: number) => (kiln ? ((c - kiln.roomC) / timeConstantS(kiln)) * 3600 : UNKNOWN_KILN_DROP_C_PER_H);
	const warnings: ScheduleWarning[] = [];
	const lastC = segments.at(-1)?.targetC ?? OPEN_C;
	const ways = [
		...segments.map((segment, i) => ({ ...segment, i, fromC: startOf(one, i) })),
		...(lastC > OPEN_C + 10 ? [{ rateCPerH: "full" as const, targetC: OPEN_C, i: segments.length, fromC: lastC }] : []),
	];
	for (const { rateCPerH, targetC, i, fromC } of ways) {
		if (i <= peak || targetC >= fromC || targetC >= soakC - 5) continue;
		const from = Math.min(fromC, soakC);
		const rate = rateCPerH === "full" ? naturalAt(from) : Math.min(rateCPerH, naturalAt(from));
		const allowed = allowedAt(from);
		if (rate <= allowed + SLACK_C_PER_H) continue;
		const lagK = slabLagK(rate, thicknessMm);
		const mpa = lagStressPa(lagK, family.expansionE7PerK) / 1e6;
		const last = i === segments.length;
		warnings.push({
			code: "coolTooFast",
			severity: rate > 3 * allowed ? "stop" : "fix",
			segment: last ? null : i,
			sentence: say`Falling from ${{ c: from }} at ${{ cPerH: rate }}, ${{ mm: thicknessMm }} to anneal as differs by ${{ n: lagK }} K inside, ${{ n: mpa }} MPa; ${{ cPerH: allowed }} is the rule here.`,
			remedy: last
				? say`After the last segment the kiln falls by itself: add one that holds it back.`
				: say`Cooled too fast, it cracks now or later.`,
			fix: last
				? {
						label: say`Add a segment at ${{ cPerH: allowed }}`,
						segments: nameSegments([...segments, { name: "down3", rateCPerH: allowed, targetC: OPEN_C, holdMin: 0 }]),
					}
				: { label: say`Slow it to ${{ cPerH: allowed }}`, segments: changed(one, i, { rateCPerH: allowed }) },
		});
	}
	return warnings;
}

function kilnLimits(one: Case): ScheduleWarning[] {
	const { limits, kiln, segments, peak } = one;
	const hottest = segments[peak]?.targetC ?? 0;
	const warnings: ScheduleWarning[] = [];
	if (limits && hottest > limits.maxC)
		warnings.push({
			code: "kilnLimit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the ${{ c: limits.maxC }} this kiln goes to.`,
			remedy: say`Longer at less heat reaches the same.`,
			...limitFix(one, limits.maxC),
		});
	if (limits && segments.length > limits.maxSegments)
		warnings.push({
			code: "tooManySegments",
			severity: "stop",
			segment: null,
			sentence: say`${{ n: segments.length }} segments; this controller takes ${{ n: limits.maxSegments }}.`,
			remedy: say`Join segments that hardly differ.`,
		});
	if (!kiln) return warnings;
	for (const [i, segment] of segments.entries()) {
		if (segment.rateCPerH === "full" || segment.targetC <= startOf(one, i)) continue;
		const { targetC, rateCPerH } = segment;
		const can = ((kiln.powerW - kiln.lossWPerK * (targetC - kiln.roomC)) / kiln.capacityJPerK) * 3600;
		if (targetC > ceilingC(kiln) - 5) {
			warnings.push({
				code: "neverReached",
				severity: "stop",
				segment: i,
				sentence: say`With all its power this kiln gets to ${{ c: ceilingC(kiln) }}: ${{ c: targetC }} is never reached.`,
				remedy: say`Its elements may be worn; look at its record.`,
			});
		} else if (can < rateCPerH - 5) {
			warnings.push({
				code: "kilnLags",
				severity: "know",
				segment: i,
				sentence: say`Near ${{ c: targetC }} this kiln climbs ${{ cPerH: can }} at most, not ${{ cPerH: rateCPerH }}: it will lag and take longer.`,
				remedy: say`The simulation shows by how much.`,
			});
		}
	}
	return warnings;
}

function limitFix(one: Case, maxC: number): Pick<ScheduleWarning, "fix"> {
	const aim = planFlow({ segments: [...one.segments] }, viscosityOf(one.family), one.kiln);
	const solved = solvePeak(one.segments, one.family, one.kiln, { aim, hottestC: maxC });
	if (solved.peakC > maxC) return {};
	return { fix: { label: say`${{ c: solved.peakC }} for ${{ min: solved.holdMin }}`, segments: solved.segments } };
}

function mouldLimit({ document, segments, peak }: Case): ScheduleWarning[] {
	const hottest = segments[peak]?.targetC ?? 0;
	if (document.mouldMaxC === null || hottest <= document.mouldMaxC) return [];
	return [
		{
			code: "mouldLimit",
			severity: "stop",
			segment: peak,
			sentence: say`${{ c: hottest }} is above the ${{ c: document.mouldMaxC }} its mould bears.`,
			remedy: say`Take another mould, or go lower and hold longer.`,
		},
	];
}
