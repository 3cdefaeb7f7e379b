/** A mould to slump into or over, a frame with an opening, or a ring to cast in. Lengths mm. */
export interface Mould {
	id: string;
	name: string;
	kind: MouldKind;
	/** Opening of a dish or frame, the form itself for one to drape over; a stand by the way over its two curves, and its depth. */
	opening: (typeof OPENINGS)[number];
	widthMm: number;
	heightMm: number;
	depthMm: number;
	texture: string;
	vented: boolean;
	release: Release;
	/** Firings since the release was renewed. */
	usesSince: number;
	/** Its release is renewed after so many; left out or null: as is usual. */
	renewAfter?: number | null | undefined;
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
/** Firings that a release lasts where nobody says otherwise: wash chips, paper turns to dust. Common practice, no source. */
const USUAL_FIRINGS = { washed: 10, papered: 1, bare: 0 } as const;

export const renewAfterOf = ({ renewAfter, release }: Pick<Mould, "renewAfter" | "release">): number =>
	renewAfter ?? USUAL_FIRINGS[release];

/** Its release has had as many firings as it lasts: glass begins to stick. */
export const isWornOut = (mould: Pick<Mould, "kind" | "release" | "usesSince" | "renewAfter">): boolean =>
	mould.kind !== "frame" && mould.release !== "bare" && mould.usesSince >= renewAfterOf(mould);

export const MOULD_KINDS = ["dish", "drape", "stand", "frame", "ring", "texture"] as const;
export type MouldKind = (typeof MOULD_KINDS)[number];
export const RELEASES = ["washed", "papered", "bare"] as const;
export type Release = (typeof RELEASES)[number];
