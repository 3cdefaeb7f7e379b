/**
 * Where the stand-in's kilns listen on loopback: the port before its first kiln's, said by the start command. Without it there
 * is no stand-in: guessing one could press the buttons of another studio's.
 */
export function standInPort(kilnNumber: number): number {
	const base = Number(process.env.ZEPHYR_STAND_IN_PORT);
	if (!base) throw new Error("no stand-in kilns were started here");
	return base + kilnNumber;
}
