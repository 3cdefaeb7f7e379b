import type { GlassFamily } from "../glass/family";
import { type Phrase, say } from "../units/phrase";
import { heightOf } from "./footprint";
import type { LoadKiln, LoadSchools, WaitingPiece } from "./load";
import { mouldProblem } from "./mould-problem";

/** Why some pieces are never fired together in a kiln; undefined where they may be. */
export function cannotShare(
	pieces: readonly WaitingPiece[],
	kiln: LoadKiln,
	families: readonly GlassFamily[],
	{ mixFamilies = false }: LoadSchools,
): string | undefined {
	const [main] = families;
	const foreign = pieces.find(({ familyId }) => familyId !== main?.id);
	const isMixed = mixFamilies && families.length === 2;
	if (foreign && !isMixed) return `${foreign.code} is of another family: one load takes one family.`;
	const untested = families.find(({ tested }) => !tested);
	if (untested) return `${untested.label} is untested glass and is not fired with anything.`;
	const tall = pieces.find((piece) => heightOf(piece) > kiln.clearHeightMm);
	return mouldProblem(pieces) ?? (tall && `${tall.code} is too high for this kiln.`);
}

/** Why no one schedule suits them. */
export const apartWords = (pieces: readonly WaitingPiece[], families: readonly GlassFamily[]): string =>
	new Set(pieces.map(({ level }) => level)).size > 1
		? "These pieces go to different fuse levels and cannot share a firing."
		: `No one schedule suits both ${families.map(({ label }) => label).join(" and ")}: fire them apart.`;

/** The mould that the peak (°C) is too much for, in a sentence. */
export function tooHotForMould(pieces: readonly WaitingPiece[], peakC: number): Phrase | undefined {
	const weak = pieces.find(({ mould }) => mould && mould.kind !== "frame" && mould.maxC < peakC);
	if (!weak?.mould) return undefined;
	const { name, maxC } = weak.mould;
	return say`This load goes to ${{ c: peakC }}; the mould “${name}” under ${weak.code} bears ${{ c: maxC }}.`;
}
