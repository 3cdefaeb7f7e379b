/** Fuse levels, gentlest first. */
export const FUSE_LEVELS = ["slump", "firePolish", "sinter", "tack", "contour", "full", "deep"] as const;
export type FuseLevel = (typeof FUSE_LEVELS)[number];

export const LEVEL_WORDS: Record<FuseLevel, string> = {
	slump: "slump",
	firePolish: "fire polish",
	sinter: "sinter",
	tack: "tack",
	contour: "contour",
	full: "full",
	deep: "deep",
};

/** A range of the flow index: `from` included, `to` not. */
export interface FlowBand {
	from: number;
	to: number;
}

/** Flow-index bands of the levels. Common practice, no source; fitted to the peaks and holds in general use. */
export const LEVEL_BANDS: Record<FuseLevel, FlowBand> = {
	slump: { from: 0.004, to: 0.04 },
	firePolish: { from: 0.04, to: 0.15 },
	sinter: { from: 0.04, to: 0.15 },
	tack: { from: 0.15, to: 0.8 },
	contour: { from: 0.8, to: 2.2 },
	full: { from: 2.2, to: 20 },
	deep: { from: 20, to: Number.POSITIVE_INFINITY },
};

/** Where in its band a level is aimed when nobody says otherwise. Common practice, no source. */
export const LEVEL_AIM: Record<FuseLevel, number> = {
	slump: 0.0125,
	firePolish: 0.08,
	sinter: 0.08,
	tack: 0.45,
	contour: 1.4,
	full: 4.9,
	deep: 40,
};

export interface LevelReading {
	/** Undefined below the first band: nothing lasting happens. */
	level: FuseLevel | undefined;
	/** The next level up and how much of the way there the flow index is, 0–1 on its log scale. */
	next: { level: FuseLevel; share: number } | undefined;
}

const ladder: readonly FuseLevel[] = ["slump", "sinter", "tack", "contour", "full", "deep"];

/** Which level a flow index means, and how near the next one is. */
export function levelOf(flow: number): LevelReading {
	const index = ladder.findLastIndex((level) => flow >= LEVEL_BANDS[level].from);
	const level = ladder[index];
	const nextLevel = ladder[index + 1];
	if (!nextLevel) return { level, next: undefined };
	const to = LEVEL_BANDS[nextLevel].from;
	const from = level ? LEVEL_BANDS[level].from : 0.0004;
	const share = Math.log(Math.max(flow, from) / from) / Math.log(to / from);
	return { level, next: { level: nextLevel, share: Math.min(1, Math.max(0, share)) } };
}

/** The flow every one of several levels allows; undefined when they may not share a firing. */
export function sharedBand(levels: readonly FuseLevel[]): FlowBand | undefined {
	const bands = levels.map((level) => LEVEL_BANDS[level]);
	const from = Math.max(...bands.map((band) => band.from));
	const to = Math.min(...bands.map((band) => band.to));
	return bands.length > 0 && from < to ? { from, to } : undefined;
}

/** Slump and fire polish leave the surface as an earlier firing made it. */
export const keepsSurface = (level: FuseLevel): boolean => level === "slump" || level === "firePolish";
