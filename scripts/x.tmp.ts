import { modbusLine } from "../server/devices/modbus-line";
import { GENERIC_MAP } from "../contract/kiln";
process.env.ZEPHYR_STAND_IN_PORT = "4820";
const line = modbusLine({ driver: "modbus", host: "stand-in", port: 1, unit: 1, map: GENERIC_MAP });
const t = performance.now();
try { console.log(await line.read(null), performance.now() - t); console.log(await line.read(null)); } catch (e) { console.log("ERR", e, performance.now()-t); }
line.close();
