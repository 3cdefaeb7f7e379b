import type { Pace } from "../firing/schools";
import { FAMILY_90 } from "../glass/family";
import { type Phrase, say } from "../units/phrase";
import { effectiveThicknessMm, type Heights } from "./effective-thickness";
import { heightsFound } from "./heights-found";
import {
	type FiringOutlook,
	mainFamily,
	OUTLOOK_PARTS,
	type OutlookPart,
	outlookOfPiece,
	PACES,
	type PacedHours,
	pieceToFire,
} from "./outlook";
import type { Stack } from "./stack";

/** How long all firings of a route take, programme by programme. h */
export type { PacedHours };

export interface RouteHours {
	hours: number;
	/** The same at every pace a studio may have. */
	hoursAt: PacedHours[];
	/** Where it is very long: what drives it, and what would shorten it, most first. */
	long: { driver: Phrase; shorter: Phrase[] } | undefined;
}

/** Longer than this in all, and somebody asks why, h. Common practice, no source. */
const LONG_H = 48;
/** What saves less than this is not worth a word, h. */
const SAVES_H = 1;
/** One single of sheet, mm. */
const SINGLE_MM = 3;

const PART_WORDS: Record<OutlookPart, string> = {
	heatingUp: "heating it from cold",
	peak: "its peak",
	soak: "its soak",
	cooling: "cooling it",
};

/** @param stacks the glass of each firing, in the order of the route */
export function routeHours(stacks: readonly Stack[], firings: readonly FiringOutlook[], pace: Pace): RouteHours {
	const sum = (of: (firing: FiringOutlook) => number) => firings.reduce((total, firing) => total + of(firing), 0);
	const hours = sum((firing) => firing.hours);
	const hoursAt = PACES.map((other, i) => ({
		...other,
		hours: sum((firing) => firing.hoursAt[i]?.hours ?? firing.hours),
	}));
	if (hours <= LONG_H) return { hours, hoursAt, long: undefined };
	return {
		hours,
		hoursAt,
		long: { driver: driverOf(firings, hours), shorter: shorterWays(stacks, firings, pace, hoursAt) },
	};
}

function driverOf(firings: readonly FiringOutlook[], hours: number): Phrase {
	const parts = firings.flatMap((firing) => OUTLOOK_PARTS.map((part) => ({ firing, part, hours: firing.parts[part] })));
	const most = parts.reduce((a, b) => (b.hours > a.hours ? b : a));
	return say`${{ n: Math.round(hours) }} h in all. Most of it goes into ${PART_WORDS[most.part]} in firing ${{ n: most.firing.firing + 1 }}: ${{ n: Math.round(most.hours) }} h, for it counts as ${{ mm: most.firing.effectiveMm }} thick.`;
}

/** Each way by itself, those that save most first. */
function shorterWays(
	stacks: readonly Stack[],
	firings: readonly FiringOutlook[],
	pace: Pace,
	hoursAt: readonly PacedHours[],
): Phrase[] {
	const now = firings.reduce((total, { hours }) => total + hours, 0);
	const slumps = firings.filter(({ level }, i) => level === "slump" && i > 0);
	const ways: { savesH: number; say(h: number): Phrase }[] = slumps.map(({ firing, hours }) => ({
		savesH: hours,
		say: (h) => say`Without the slump of firing ${{ n: firing + 1 }}: ${{ n: h }} h less.`,
	}));
	ways.push({
		savesH: now - stacks.reduce((total, stack, i) => total + oneSingleFewer(stack, pace, firings[i]), 0),
		say: (h) => say`With one single of ${{ mm: SINGLE_MM }} fewer where it is thickest: ${{ n: h }} h less.`,
	});
	const usual = hoursAt.find(({ warmUp, cooling }) => warmUp === "usual" && cooling === "usual");
	if (usual) {
		ways.push({
			savesH: now - usual.hours,
			say: (h) => say`By the usual schools of heating and cooling: ${{ n: h }} h less.`,
		});
	}
	return ways
		.filter(({ savesH }) => savesH >= SAVES_H)
		.sort((a, b) => b.savesH - a.savesH)
		.map((way) => way.say(Math.round(way.savesH)));
}

/** Hours of a firing if its thickest place were a single lower. */
function oneSingleFewer(stack: Stack, pace: Pace, firing: FiringOutlook | undefined): number {
	const found = heightsFound(stack);
	const thickestMm = found.thickestMm - SINGLE_MM;
	if (thickestMm < SINGLE_MM) return firing?.hours ?? 0;
	const piece = pieceToFire(stack);
	const lowered = <H extends Heights>(one: H): H => ({
		...one,
		...{ thickestMm: Math.min(one.thickestMm, thickestMm), thinnestMm: Math.min(one.thinnestMm, thickestMm) },
	});
	const lower = { ...lowered(found), ...(found.alone && { alone: found.alone.map(lowered) }) };
	const effectiveMm = effectiveThicknessMm(lower, stack.level, stack.hadLevel);
	const family = stack.book.families.get(mainFamily(stack) ?? "") ?? FAMILY_90;
	return outlookOfPiece({ ...piece, thickestMm: piece.thickestMm - SINGLE_MM, effectiveMm }, pace, family).hours;
}
