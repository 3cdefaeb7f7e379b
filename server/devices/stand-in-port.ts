/** Where the stand-in's kilns listen on loopback: the port before its first kiln's. The start command says it. */
export const standInPort = (kilnNumber: number): number =>
	Number(process.env.ZEPHYR_STAND_IN_PORT ?? 4820) + kilnNumber;
