import { LEVEL_AIM, LEVEL_WORDS } from "../firing/level";
import { isStriker } from "../glass/glass";
import { groupBy } from "../group-by";
import { say } from "../units/phrase";
import type { Finding } from "./finding";
import type { KitDesign, KitPart } from "./kit";
import { bodiesOf, collisionsOf, LEAST_OVERLAP_MM } from "./neighbours";
import { spreadOf } from "./outline";
import type { GlassBook, KitReading } from "./read-kit";

/** All the findings of a kit, each with its figure; the caller sorts them. */
export function findingsOf(
	design: KitDesign,
	parts: readonly KitPart[],
	reading: KitReading,
	book: GlassBook,
): Finding[] {
	if (parts.length === 0) return [];
	return [
		...familyFindings(parts, book),
		...joinFindings(parts),
		...collisionFindings(parts),
		...levelFindings(design, reading),
		...edgeFindings(reading),
		...strikerFindings(parts, book),
	];
}

function familyFindings(parts: readonly KitPart[], book: GlassBook): Finding[] {
	const byFamily = groupBy(parts, (part) => book.glasses.get(part.glassId)?.familyId ?? "");
	const ids = (some: readonly KitPart[]) => some.map((part) => part.id);
	const findings: Finding[] = [];
	if (byFamily.size > 1) {
		const labels = [...byFamily.keys()].map((id) => book.families.get(id)?.label ?? "unknown").join(" and ");
		const fewest = [...byFamily.values()].sort((a, b) => a.length - b.length)[0] ?? [];
		findings.push({
			code: "family-conflict",
			severity: "stop",
			sentence: say`${{ n: byFamily.size }} families in one piece (${labels}): it cracks, sometimes weeks later.`,
			remedy: say`Cut ${{ n: fewest.length }} parts from the other family’s glass instead.`,
			partIds: ids(fewest),
		});
	}
	for (const [id, some] of byFamily) {
		if (book.families.get(id)?.tested !== false) continue;
		findings.push({
			code: "untested-glass",
			severity: "stop",
			sentence: say`${{ n: some.length }} parts are of untested glass, which equals no other family.`,
			remedy: say`Ask the glass maker’s statement or do a strain test, then mark the family as tested.`,
			partIds: ids(some),
		});
	}
	return findings;
}

function joinFindings(parts: readonly KitPart[]): Finding[] {
	return bodiesOf(parts)
		.slice(1)
		.map((body) => ({
			code: "loose",
			severity: "fix" as const,
			sentence: say`${names(body)} lies on nothing by ${{ mm: LEAST_OVERLAP_MM }}: touching is not joining, it pulls away.`,
			remedy: say`Let it lie on a neighbour by ${{ mm: LEAST_OVERLAP_MM }} to ${{ mm: 3 }}, or lay a part over the joint.`,
			partIds: body.map((part) => part.id),
			at: { x: body[0]?.xMm ?? 0, y: body[0]?.yMm ?? 0 },
		}));
}

function collisionFindings(parts: readonly KitPart[]): Finding[] {
	return collisionsOf(parts).map(({ a, b, areaMm2 }) => ({
		code: "same-place",
		severity: "fix" as const,
		sentence: say`${a.name} and ${b.name} share ${{ n: Math.round(areaMm2) }} mm² of layer ${{ n: a.layer + 1 }}: two cuts cannot lie in one place.`,
		remedy: say`Move one, or put it on layer ${{ n: a.layer + 2 }}.`,
		partIds: [a.id, b.id],
		at: { x: (a.xMm + b.xMm) / 2, y: (a.yMm + b.yMm) / 2 },
	}));
}

function levelFindings(design: KitDesign, reading: KitReading): Finding[] {
	const ratio = reading.thinnestMm > 0 ? reading.thickestMm / reading.thinnestMm : 1;
	const findings: Finding[] = [];
	if (ratio > 3) {
		findings.push({
			code: "uneven",
			severity: "fix",
			sentence: say`${{ n: ratio }} times as thick at its thickest as at its thinnest: it has to anneal as ${{ mm: reading.effectiveMm }}.`,
			remedy: say`Keep it to a light tack, do not slump it, and give the soak its ${{ min: (reading.effectiveMm / 6) * 60 }}.`,
			partIds: [],
		});
	}
	if (design.route[0] && design.route[0].level !== reading.suggestedLevel) {
		findings.push({
			code: "other-level",
			severity: "know",
			sentence: say`${{ mm: reading.thickestMm }} at the thickest and ${{ mm: reading.thinnestMm }} at the thinnest is usually fired to ${LEVEL_WORDS[reading.suggestedLevel]}; the route says ${LEVEL_WORDS[reading.level]}.`,
			remedy: say`Keep the route if that is the look you want.`,
			partIds: [],
		});
	}
	return findings;
}

function edgeFindings(reading: KitReading): Finding[] {
	const { edgeMm } = spreadOf({
		widthMm: reading.widthMm,
		heightMm: reading.heightMm,
		areaMm2: reading.areaMm2,
		meanMm: reading.meanMm,
		flow: LEVEL_AIM[reading.level],
	});
	if (Math.abs(edgeMm) < 0.5) return [];
	const grows = edgeMm > 0;
	return [
		{
			code: grows ? "spreads" : "draws-in",
			severity: "know",
			sentence: grows
				? say`${{ mm: reading.meanMm }} of glass on average spreads ${{ mm: edgeMm }} a side at ${LEVEL_WORDS[reading.level]}.`
				: say`${{ mm: reading.meanMm }} of glass on average draws in ${{ mm: -edgeMm }} a side at ${LEVEL_WORDS[reading.level]}.`,
			remedy: grows ? say`Give it room on the shelf, or a dam.` : say`Two singles, ${{ mm: 6 }}, keep their outline.`,
			partIds: [],
		},
	];
}

function strikerFindings(parts: readonly KitPart[], book: GlassBook): Finding[] {
	const strikers = parts.filter((part) => {
		const glass = book.glasses.get(part.glassId);
		return glass !== undefined && isStriker(glass);
	});
	if (strikers.length === 0) return [];
	return [
		{
			code: "striker",
			severity: "know",
			sentence: say`${{ n: strikers.length }} parts show their colour only after firing: ${names(strikers)}.`,
			remedy: say`Show students the glass as fired, beside the glass as bought.`,
			partIds: strikers.map((part) => part.id),
		},
	];
}

function names(parts: readonly KitPart[]): string {
	const distinct = [...new Set(parts.map((part) => part.name))];
	return distinct.length > 3
		? `${distinct.slice(0, 3).join(", ")} and ${distinct.length - 3} more`
		: distinct.join(", ");
}
