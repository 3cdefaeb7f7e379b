/** Which stand-in kilns the start command began on loopback: the port before the first one's, and how many there are. */
const standIns = () => ({
	base: Number(process.env.ZEPHYR_STAND_IN_PORT),
	count: Number(process.env.ZEPHYR_STAND_INS ?? 0),
});

/**
 * Where a stand-in kiln listens. Only those that the house began are dialled: any other number would be somebody else's port, and its
 * panel's buttons are pressed there.
 * @throws Error where there is no such stand-in
 */
export function standInPort(kilnNumber: number): number {
	const { base, count } = standIns();
	if (!base) throw new Error("no stand-in kilns were started here");
	if (!Number.isInteger(kilnNumber) || kilnNumber < 1 || kilnNumber > count)
		throw new Error(`there is no stand-in kiln ${kilnNumber} here`);
	return base + kilnNumber;
}
