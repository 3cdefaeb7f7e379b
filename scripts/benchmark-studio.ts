import { resolve } from "node:path";
import { type Connection, connect, migrateTo } from "../db/connect";
import { seedDemo } from "../demo/seed";
import { placeFor, startCluster } from "./cluster";

/** Runs something on the demo in a throw-away database. @param heard is told of every question */
export async function onThrowAwayStudio<T>(run: (db: Connection["db"]) => Promise<T>, heard?: () => void): Promise<T> {
	const cluster = await startCluster(await placeFor(resolve("data", "test")), false);
	try {
		const admin = connect(cluster.url, 1);
		await admin.sql.unsafe("drop database if exists benchmark with (force)");
		await admin.sql.unsafe("create database benchmark");
		await admin.close();
		const { db, close } = connect(cluster.url.replace(/\/[^/]+$/, "/benchmark"), 4, { debug: heard });
		await migrateTo(db, "db/migrations");
		await seedDemo(db, new Date());
		const answer = await run(db);
		await close();
		return answer;
	} finally {
		await cluster.stop();
	}
}
