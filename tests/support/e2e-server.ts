import { resolve } from "node:path";
import { connect, migrateTo } from "../../db/connect";
import { seedDemo } from "../../demo/seed";
import { buildIfChanged } from "../../scripts/build";
import { placeFor, startCluster } from "../../scripts/cluster";

/** The built application, and a demo studio as the template that every browser test's file copies for itself. */
export default async function setup() {
	buildIfChanged();
	const cluster = await startCluster(await placeFor(resolve("data", "test-e2e")), false);
	const admin = connect(cluster.url, 1);
	for (const { datname } of await admin.sql<
		{ datname: string }[]
	>`select datname from pg_database where datname like 'e2e%'`)
		await admin.sql.unsafe(`drop database "${datname}" with (force)`);
	await admin.sql.unsafe("create database e2e_template");
	await admin.close();
	const template = connect(cluster.url.replace(/\/[^/]+$/, "/e2e_template"), 1);
	await migrateTo(template.db, "db/migrations");
	const signIns = await seedDemo(template.db, new Date());
	await template.close();
	process.env.ZEPHYR_E2E = JSON.stringify({ cluster: cluster.url, signIns });
	return () => cluster.stop();
}
