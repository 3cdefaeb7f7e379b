import { groupBy } from "../group-by";
import type { Mould } from "../kit/mould";

/** Why nothing is fired on a mould as it is now. */
export type MouldTrouble = "putAway" | "bare";

/** Glass sticks to what is not washed or papered; a frame is not fired. */
export function mouldTrouble({ retired, release, kind }: Mould): MouldTrouble | undefined {
	if (retired) return "putAway";
	return release === "bare" && kind !== "frame" ? "bare" : undefined;
}

/** What keeps pieces from being fired on their moulds together: one put away or bare, or more pieces than moulds. */
export function mouldProblem(pieces: readonly { code: string; mould?: Mould | undefined }[]): string | undefined {
	const on = pieces.flatMap(({ code, mould }) => (mould ? [{ code, mould }] : []));
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
