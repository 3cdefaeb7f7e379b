/**
 * How many cases of a proof are tried: all where the check is thorough (its part `proofs`: on CI, or by name), some in `unit`, before every
 * commit; the part `database` is thorough on CI. Files that ask here are found by vitest.config.ts, which has them run in both.
 */
export const THOROUGH = process.env.ZEPHYR_THOROUGH === "1";

export const cases = (all: number, some: number): number => (THOROUGH ? all : some);

/** The first of a list where the check is not thorough. */
export const someOf = <T>(all: readonly T[], some: number): T[] => all.slice(0, cases(all.length, some));
