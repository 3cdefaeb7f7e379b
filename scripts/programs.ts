/** The product's own programs: where each is written. The build puts each into one file, so that none is compiled while somebody waits. */
export const PROGRAMS = {
	serve: "scripts/serve.ts",
	jobs: "server/jobs/main.ts",
	"stand-in": "standins/main.ts",
	thread: "server/heavy/thread.ts",
} as const;

export type Program = keyof typeof PROGRAMS;

export const PROGRAM_FOLDER = "dist/programs";

export const builtProgram = (program: Program): string => `${PROGRAM_FOLDER}/${program}.mjs`;
