import { Client } from "pg";
import { logError } from "../house/log";

/** First half of the locks' keys: which kind of lock it is. */
const KILNS = 4810;
const PATIENCE_MS = 5000;

/**
 * Which kilns this copy of the program listens to: of several copies on one database one has each kiln. A lease is an advisory
 * lock of a connection of its own; it ends with the process or the connection, and another copy takes over.
 */
export class Leases {
	private client: Client | undefined;
	private readonly held = new Set<string>();

	constructor(private readonly databaseUrl: string) {}

	/** Takes those that nobody has. Returns which of them are ours. */
	async hold(kilnIds: readonly string[]): Promise<ReadonlySet<string>> {
		const client = await this.connected();
		for (const id of kilnIds) {
			if (this.held.has(id)) continue;
			const { rows } = await client.query("select pg_try_advisory_lock($1, hashtext($2)) as ours", [KILNS, id]);
			if (rows[0]?.ours) this.held.add(id);
		}
		return this.held;
	}

	async close(): Promise<void> {
		this.held.clear();
		await this.client?.end().catch(() => {});
		this.client = undefined;
	}

	private async connected(): Promise<Client> {
		if (this.client) return this.client;
		const client = new Client({
			connectionString: this.databaseUrl,
			application_name: "zephyr-flats kilns",
			connectionTimeoutMillis: PATIENCE_MS,
			query_timeout: PATIENCE_MS,
			keepAlive: true,
		});
		const lost = () => {
			if (this.client === client) this.client = undefined;
			this.held.clear();
		};
		client.on("error", (error) => {
			logError("the kilns’ leases", error);
			lost();
		});
		client.once("end", lost);
		await client.connect();
		this.client = client;
		return client;
	}
}
