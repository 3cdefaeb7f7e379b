import { resolve } from "node:path";
import { connect, migrateTo } from "../../db/connect";
import { seedDemo } from "../../demo/seed";
import { placeFor, startCluster } from "../../scripts/cluster";

/** A throw-away cluster for the tests, apart from the studio's; every test file makes its own database in it. */
export default async function setup() {
	const cluster = await startCluster(await placeFor(resolve("data", "test")), false);
	const admin = connect(cluster.url, 1);
	for (const { datname } of await admin.sql<
		{ datname: string }[]
	>`select datname from pg_database where datname like 'test_%'`) {
		await admin.sql.unsafe(`drop database "${datname}" with (force)`);
	}
	await admin.sql.unsafe("create database test_template");
	await admin.close();
	const template = connect(cluster.url.replace(/\/[^/]+$/, "/test_template"), 1);
	await migrateTo(template.db, "db/migrations");
	await seedDemo(template.db, new Date());
	await template.close();
	process.env.ZEPHYR_TEST_CLUSTER = cluster.url;
	return () => cluster.stop();
}
