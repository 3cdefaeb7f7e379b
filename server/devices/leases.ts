import { randomUUID } from "node:crypto";
import type { Database } from "@db/connect";
import { takeLeases } from "@db/queries/leases";

/** A lease ends by itself after this, s, unless its holder takes it again; it does so this often, ms. */
const LEASE_S = 20;
const RENEW_EVERY_MS = 4000;

/**
 * Which kilns this copy of the program listens to: of several copies on one database one has each kiln. A lease lives by the kiln's
 * own readings: it is taken again only for kilns that are read, so a copy that hangs, wholly or at one kiln, loses what it does not hear.
 */
export class Leases {
	private readonly holder = randomUUID();
	private held: ReadonlySet<string> = new Set();
	private tookMs = Number.NEGATIVE_INFINITY;

	constructor(private readonly db: Database) {}

	/** Takes what nobody has and what is ours still. @param kilnIds those that are heard here, or could be */
	async hold(kilnIds: readonly string[]): Promise<ReadonlySet<string>> {
		if (performance.now() - this.tookMs < RENEW_EVERY_MS) return this.held;
		this.held = new Set(await takeLeases(this.db, this.holder, kilnIds, LEASE_S));
		this.tookMs = performance.now();
		return this.held;
	}
}
