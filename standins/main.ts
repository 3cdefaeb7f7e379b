import { serveKilns } from "./kiln-server";

/** The stand-in kilns as a process of their own: main.ts BASE_PORT COUNT. */
const [basePort = 4820, count = 2] = process.argv.slice(2).map(Number);
await serveKilns(basePort, count);
process.send?.("ready");
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => process.exit(0));
// Ends with the one who started it, however that ended, also before we came to listen for it.
if (process.connected === false) process.exit(0);
process.on("disconnect", () => process.exit(0));
