import { serveKilns } from "./kiln-server";

/** What it tells whoever started it: that its kilns listen, or which port somebody else has. */
export type StandInSays = { ready: true } | { taken: number };

/** The stand-in kilns as a process of their own: main.ts BASE_PORT COUNT MARK. */
const [basePort = 4820, count = 2, mark = 0] = process.argv.slice(2).map(Number);
const tell = (says: StandInSays, then = () => {}) => process.send?.(says, then);
await serveKilns(basePort, count, mark).then(
	() => tell({ ready: true }),
	(error: NodeJS.ErrnoException & { port?: number }) => {
		if (error.code !== "EADDRINUSE" || !process.send) throw error;
		tell({ taken: error.port ?? basePort }, () => process.exit(0));
	},
);
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => process.exit(0));
// Ends with the one who started it, however that ended, also before we came to listen for it.
if (process.connected === false) process.exit(0);
process.on("disconnect", () => process.exit(0));
