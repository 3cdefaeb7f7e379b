import { seeded } from "./seed";

/** A throw-away cluster for the tests, apart from the studio's; every test file makes its own database in it. */
export default async function setup() {
	const { clusterUrl, template, close } = await seeded();
	process.env.ZEPHYR_TEST_CLUSTER = clusterUrl;
	process.env.ZEPHYR_TEST_TEMPLATE = template;
	return close;
}
