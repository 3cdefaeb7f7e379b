import { writeRevised } from "@db/queries/revised";
import { Refusal } from "./refusal";

type Write = Parameters<typeof writeRevised>;

/** Saves what was typed of a row on a revision; who typed on an older one is told, and keeps what was typed. */
export async function saved(name: string, tx: Write[0], table: Write[1], row: Write[2], on: number): Promise<number> {
	const revision = await writeRevised(tx, table, row, on);
	if (revision === undefined)
		throw new Refusal(
			"conflict",
			`Somebody saved “${name}” meanwhile. Open it again in another tab and compare; what you typed is still here.`,
		);
	return revision;
}
