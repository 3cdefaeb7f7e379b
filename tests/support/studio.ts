import { randomUUID } from "node:crypto";
import type { ActionInput, ActionName, ActionOutput } from "@contract/actions";
import type { Role } from "@contract/people";
import type { ViewName, Views } from "@contract/views";
import { type Connection, connect } from "@db/connect";
import { user } from "@db/schema";
import { perform } from "@server/house/perform";
import { see } from "@server/house/see";
import { asc } from "drizzle-orm";
import { copied } from "./copied";

/** A database of its own holding the demo studio, and short ways to act in it and look at it. */
export async function demoStudio() {
	const { ZEPHYR_TEST_CLUSTER = "", ZEPHYR_TEST_TEMPLATE = "" } = process.env;
	return studioAt(await copied(ZEPHYR_TEST_CLUSTER, ZEPHYR_TEST_TEMPLATE, `test_${randomUUID().slice(0, 8)}`));
}

/** Whatever studio is in a database. */
export async function studioAt(url: string) {
	const connection: Connection = connect(url, 6);
	const people = await connection.db.select().from(user).orderBy(asc(user.role));
	const who = (role: Role, now: Date) => {
		const person = people.find((one) => one.role === role);
		return {
			actor: { id: person?.id ?? "", sessionId: "", name: person?.name ?? "", role },
			now,
			headers: new Headers(),
		};
	};
	return {
		url,
		db: connection.db,
		sql: connection.sql,
		who,
		act: <N extends ActionName>(
			action: N,
			input: ActionInput<N>,
			options: { role?: Role; now?: Date; bytes?: Buffer } = {},
		): Promise<ActionOutput[N]> =>
			perform(connection.db, action, input, {
				...who(options.role ?? "instructor", options.now ?? new Date()),
				bytes: options.bytes,
			}),
		see: async <N extends ViewName>(
			view: N,
			params: Record<string, string> = {},
			now = new Date(),
			role: Role = "instructor",
		): Promise<Views[N]> => {
			return see(connection.db, view, params, who(role, now));
		},
		close: () => connection.close(),
	};
}
export type DemoStudio = Awaited<ReturnType<typeof demoStudio>>;
