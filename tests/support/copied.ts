import { connect } from "../../db/connect";

export const databaseUrl = (clusterUrl: string, name: string): string => clusterUrl.replace(/\/[^/]+$/, `/${name}`);

/** A database of one's own, copied from the template. Returns its address. */
export async function copied(clusterUrl: string, template: string, name: string): Promise<string> {
	const admin = connect(clusterUrl, 1);
	await admin.sql.unsafe(`create database ${name} template ${template}`);
	await admin.close();
	return databaseUrl(clusterUrl, name);
}
