import { groupBy } from "../group-by";
import { type Mould, sticks } from "../kit/mould";
import { type Blank, overRimMm, RULER_MM } from "../kit/mould-fit";

/** Why nothing is fired on a mould as it is now. */
export type MouldTrouble = "putAway" | "bare" | "tooSmall";

/** Glass sticks to what is not washed or papered, and cracks where it hangs over a rim; a frame is not fired. */
export function mouldTrouble(mould: Mould, made?: Blank): MouldTrouble | undefined {
	if (mould.retired) return "putAway";
	if (sticks(mould)) return "bare";
	return made && overRimMm(mould, made) > RULER_MM ? "tooSmall" : undefined;
}

/** What keeps pieces from being fired on their moulds together: one put away or bare, too small, or more pieces than moulds. */
export function mouldProblem(
	pieces: readonly { code: string; mould?: Mould | undefined; body?: Blank }[],
): string | undefined {
	const on = pieces.flatMap(({ code, mould, body }) => (mould ? [{ code, mould, body }] : []));
	const over = on.find(({ mould, body }) => mouldTrouble(mould, body) === "tooSmall");
	if (over)
		return `${over.code} is larger than the opening of “${over.mould.name}”: it would hang over the rim and crack. Choose another mould on the piece’s page, or make it smaller.`;
	for (const [, its] of groupBy(on, ({ mould }) => mould.id)) {
		const { mould, code } = its[0] as (typeof its)[0];
		const trouble = mouldTrouble(mould);
		if (trouble === "putAway")
			return `“${mould.name}”, on which ${code} is fired, is put away. Bring it back, or choose another on the piece’s page.`;
		if (trouble === "bare")
			return `“${mould.name}”, on which ${code} is fired, stands bare: glass sticks to it. Wash or paper it first.`;
		if (its.length > mould.count)
			return `${its.length} of these pieces are fired on “${mould.name}”, and there ${mould.count === 1 ? "is one" : `are ${mould.count}`}. Leave ${its.length - mould.count} out.`;
	}
	return undefined;
}
