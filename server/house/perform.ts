import type { Action, UploadKind } from "@contract/action";
import { type ActionInput, type ActionName, type ActionOutput, actions } from "@contract/actions";
import { problemsOf } from "@contract/problems";
import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { loadStudio } from "@db/queries/studio";
import { useCases } from "../use-cases";
import type { Asking, Context, UseCase } from "./context";
import { inTime, inTransaction } from "./in-transaction";
import { logError } from "./log";
import { keptChanged } from "./look";
import { refuseUnlessMay } from "./may";
import { Refusal } from "./refusal";
import { type Reencoded, reencode } from "./uploads";

interface Sent extends Asking {
	/** The image of an action that asks for one. */
	bytes?: Buffer | undefined;
	/** Which page asks, so that it is not told of its own change. */
	mark?: string | undefined;
}

/** One action from raw input to answer: check the role, parse, prepare what takes long, run in one transaction, tell the open views. */
export async function perform<N extends ActionName>(
	db: Database,
	name: N,
	raw: unknown,
	{ bytes, mark, ...asking }: Sent,
): Promise<ActionOutput[N]> {
	const action: Action = actions[name];
	await refuseUnlessMay(db, name, action.role, asking);
	const parsed = action.schema.safeParse(raw);
	if (!parsed.success) throw new Refusal("invalid", problemsOf(parsed.error));
	const upload = await uploaded(action.upload, bytes);
	const afterwards: Context["afterwards"] = [];
	const does = useCases[name] as UseCase<N>;
	const input = parsed.data as ActionInput<N>;
	const prepared = await does.prepare?.({ db, studio: await inTime(loadStudio(db)), ...asking }, input);
	const output = await inTransaction(db, async (tx) => {
		afterwards.length = 0; // it may be tried again
		const studio = await loadStudio(tx);
		const made = await does({ tx, studio, ...asking, afterwards, upload, prepared }, input);
		if (action.topics.length > 0) await tellChange(tx, { topics: action.topics, mark });
		return made;
	});
	keptChanged(action.topics);
	for (const act of afterwards)
		await act(db).catch((error: unknown) => {
			if (error instanceof Refusal) throw error;
			logError(`after ${name}`, error);
		});
	return output;
}

async function uploaded(kind: UploadKind | undefined, bytes: Buffer | undefined): Promise<Reencoded | undefined> {
	if (!kind) return undefined;
	if (!bytes) throw new Refusal("invalid", [{ path: [kind], sentence: "No file was sent." }]);
	return reencode(bytes, kind);
}
