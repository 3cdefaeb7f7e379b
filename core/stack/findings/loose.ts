import { counted } from "../../units/counted";
import { say } from "../../units/phrase";
import { type Body, isLoose, runTogether } from "../bodies";
import { LEAST_OVERLAP_MM, SAFE_OVERLAP_MM } from "../contacts";
import type { Finding, Mend } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { baseUnderAll, bridges, closest, type Gap } from "./hold-together";
import { holdsAny, ids, middle, names, worstOf } from "./words";

/** Bodies further apart than this are pieces of their own, not parts that came loose, mm. */
const OWN_PIECE_MM = 10;

/** Touching is not joining: what lies on nothing and has a wish to shrink pulls away. */
export function looseFindings(stack: Stack): Finding[] {
	const meant = stack.bodies.filter(isLoose);
	const [main, ...others] = stack.bodies.filter((body) => !isLoose(body));
	const away = main ? others.flatMap(({ parts }) => gapFrom(stack, parts)) : [];
	const near = away.filter((one) => one.mm <= OWN_PIECE_MM && !closesUp(stack, one));
	const far = away.filter(({ mm }) => mm > OWN_PIECE_MM);
	return [...looseOnes(stack, near, main?.parts ?? []), ...ownPieces(far), ...meantLoose(meant)];
}

interface Away extends Gap {
	parts: readonly Lain[];
}

function gapFrom({ glass }: Stack, parts: readonly Lain[]): Away[] {
	const own = new Set(parts);
	const gap = closest(
		parts,
		glass.filter((lain) => !own.has(lain) && lain.part.loose !== true),
	);
	return gap ? [{ ...gap, parts }] : [];
}

/** It runs into what lies beside it, and is told of as a gap that closes: it does not pull away. */
function closesUp({ bodies }: Stack, { a, b }: Away): boolean {
	const [one, other] = [a, b].map((part) => bodies.find(({ parts }) => parts.includes(part)));
	return one !== undefined && other !== undefined && runTogether(one, other);
}

function looseOnes(stack: Stack, away: readonly Away[], main: readonly Lain[]): Finding[] {
	if (!holdsAny(away)) return [];
	const parts = away.flatMap((one) => one.parts);
	const { b, at } = worstOf(away, ({ mm }) => mm);
	const [bridge, base] = [bridges(stack, [main, ...away.map((one) => one.parts)]), baseUnderAll(stack)];
	const [fix, ...orElse] = [bridge, base, asLoose(parts)].filter((one) => one !== undefined);
	return [
		{
			code: "loose",
			severity: "fix",
			sentence:
				away.length === 1
					? say`${names(parts)} lies on nothing by ${{ mm: LEAST_OVERLAP_MM }}: touching is not joining, it pulls away.`
					: say`${counted(away.length, "body lies", "bodies lie")} on nothing by ${{ mm: LEAST_OVERLAP_MM }} (${names(parts)}): touching is not joining, they pull away.`,
			remedy:
				away.length === 1
					? say`Let it lie on ${b.name} by ${{ mm: LEAST_OVERLAP_MM }} to ${{ mm: SAFE_OVERLAP_MM }}, or lay a part over the joint.`
					: say`Let each lie on its neighbour by ${{ mm: LEAST_OVERLAP_MM }} to ${{ mm: SAFE_OVERLAP_MM }}, lay parts over the joints, or a base under all.`,
			partIds: ids(parts),
			at,
			places: away.map((one) => one.at),
			...(fix && { fix }),
			orElse,
		},
	];
}

function ownPieces(away: readonly Away[]): Finding[] {
	if (!holdsAny(away)) return [];
	const parts = away.flatMap((one) => one.parts);
	const nearest = worstOf(away, ({ mm }) => -mm);
	return [
		{
			code: "own-piece",
			severity: "know",
			sentence:
				away.length === 1
					? say`${names(parts)} lies ${{ mm: nearest.mm }} from everything else: it comes out as a piece of its own.`
					: say`${{ n: away.length }} bodies lie ${{ mm: nearest.mm }} or more from everything else: each comes out as a piece of its own.`,
			remedy: say`Lay it on a neighbour by ${{ mm: SAFE_OVERLAP_MM }} if it belongs to the same piece.`,
			partIds: ids(parts),
			at: middle(nearest.parts[0] as Lain),
			places: away.map((one) => middle(one.parts[0] as Lain)),
			fix: asLoose(parts),
		},
	];
}

const asLoose = (parts: readonly Lain[]): Mend => ({
	label: say`${parts.length === 1 ? "It is" : "They are"} meant to be loose`,
	changes: [{ do: "loosen", partIds: ids(parts) }],
});

function meantLoose(bodies: readonly Body[]): Finding[] {
	if (bodies.length === 0) return [];
	const parts = bodies.flatMap((body) => body.parts);
	return [
		{
			code: "fired-loose",
			severity: "know",
			sentence: say`${counted(bodies.length, "piece", "pieces")}, loose on the shelf.`,
			remedy: say`Count them out of the kiln: ${names(parts)}.`,
			partIds: ids(parts),
		},
	];
}
