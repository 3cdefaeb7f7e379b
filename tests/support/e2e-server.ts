import { resolve } from "node:path";
import { connect, migrateTo } from "../../db/connect";
import { seedDemo } from "../../demo/seed";
import { buildIfChanged } from "../../scripts/build";
import { placeFor, startCluster } from "../../scripts/cluster";
import { startStandIn } from "../../scripts/stand-in";
import { signIn, startServer } from "./server";

/** A demo studio of its own and the built application in front of it, for all browser tests. */
export default async function setup() {
	buildIfChanged();
	const cluster = await startCluster(await placeFor(resolve("data", "test")), false);
	const admin = connect(cluster.url, 1);
	await admin.sql.unsafe("drop database if exists e2e with (force)");
	await admin.sql.unsafe("create database e2e");
	await admin.close();
	const url = cluster.url.replace(/\/[^/]+$/, "/e2e");
	const connection = connect(url, 1);
	await migrateTo(connection.db, "db/migrations");
	const signIns = await seedDemo(connection.db, new Date());
	await connection.close();
	const standIn = await startStandIn(14_900);
	const server = await startServer(url, undefined, standIn.basePort);
	const cookies = Object.fromEntries(
		await Promise.all(
			signIns.map(async ({ role, email, password }) => [role, await signIn(server.address, email, password)]),
		),
	);
	process.env.ZEPHYR_E2E = JSON.stringify({ address: server.address, signIns, cookies });
	return async () => {
		await server.end();
		standIn.stop();
		await cluster.stop();
	};
}
