import { type Connection, connect } from "@db/connect";
import { getSettings } from "./settings";

let connection: Connection | undefined;

/** The process's one pool of connections. */
export function database(): Connection {
	connection ??= connect(getSettings().databaseUrl);
	return connection;
}
