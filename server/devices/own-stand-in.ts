import { REGISTERS } from "@standins/kiln-registers";
import type { client as modbus } from "jsmodbus";

/**
 * That a stand-in kiln is one the house began. Where ours has ended, a neighbour’s may listen at its port: another studio’s kiln is
 * neither read nor pressed.
 * @throws Error where it is not
 */
export async function refuseNeighbours(client: InstanceType<typeof modbus.TCP>): Promise<void> {
	const { response } = await client.readHoldingRegisters(REGISTERS.mark, 2);
	const [high = 0, low = 0] = Array.from(response.body.values);
	if (high * 65_536 + low !== Number(process.env.ZEPHYR_STAND_IN_MARK ?? 0))
		throw new Error("another studio’s stand-in kiln listens there");
}
