import { type Connection, connect } from "@db/connect";
import { getSettings } from "./settings";

const CONNECTIONS = 10;

let connection: Connection | undefined;

/** The process's one pool of connections. */
export function database(): Connection {
	connection ??= connect(getSettings().databaseUrl, CONNECTIONS, { limited: true });
	return connection;
}
