import { buildIfChanged } from "../../scripts/build";
import { seeded } from "./seed";

/** The built application, and a demo studio as the template that every browser test's file copies for itself. */
export default async function setup() {
	buildIfChanged();
	const { clusterUrl, template, signIns, close } = await seeded();
	process.env.ZEPHYR_E2E = JSON.stringify({ clusterUrl, template, signIns });
	return close;
}
