/** A mould to slump into or over, a frame with an opening, or a ring to cast in. Lengths mm. */
export interface Mould {
	id: string;
	name: string;
	kind: MouldKind;
	/** Opening of a dish or frame, the form itself for one to drape over. */
	opening: (typeof OPENINGS)[number];
	widthMm: number;
	heightMm: number;
	depthMm: number;
	texture: string;
	vented: boolean;
	release: Release;
	/** Firings since the release was renewed. */
	usesSince: number;
	/** How many there are of it, alike. */
	count: number;
	/** It bears no more than this, °C. */
	maxC: number;
	/** Put away: known where it was used, offered for nothing new. */
	retired?: boolean;
}

/** Glass sticks to what is neither washed nor papered; a frame lies round it and is not fired on. */
export const sticks = ({ release, kind }: Pick<Mould, "release" | "kind">): boolean =>
	release === "bare" && kind !== "frame";

export const OPENINGS = ["rectangle", "round"] as const;
export const MOULD_KINDS = ["dish", "drape", "frame", "ring", "texture"] as const;
export type MouldKind = (typeof MOULD_KINDS)[number];
export const RELEASES = ["washed", "papered", "bare"] as const;
export type Release = (typeof RELEASES)[number];
