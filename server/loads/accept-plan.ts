import type { ActionInput } from "@contract/actions";
import type { Phrase } from "@core/units/phrase";
import { loadFiring, lockFiring, placesIn } from "@db/queries/firings";
import { lockPieces } from "@db/queries/pieces";
import { refuseAtKiln } from "../firings/models/hands";
import type { Context, UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { announce } from "./models/announce";
import { callOff } from "./models/call-off";

type Load = ActionInput<"acceptPlan">["loads"][number];

/**
 * Announces several loads of a plan: each is checked by itself; what is refused says why and takes none of the others with it. Where
 * they take the place of firings that were announced, all of it is done or nothing.
 */
export const acceptPlan: UseCase<"acceptPlan"> = async (context, { loads, insteadOf = [] }) => {
	refuseAtKiln(context, "load");
	const isAgain = (await loadFiring(context.tx, loads[0]?.firingId ?? "")) !== undefined;
	const wanted = insteadOf.length > 0 && !isAgain ? await released(context, loads, insteadOf) : loads;
	const accepted: { firingId: string; number: number }[] = [];
	const refused: { firingId: string; sentence: Phrase }[] = [];
	for (const load of wanted)
		try {
			// A part of its own: a load that is refused half way leaves nothing behind.
			accepted.push(await context.tx.transaction((tx) => announce({ ...context, tx }, load)));
		} catch (error) {
			if (!(error instanceof Refusal) || insteadOf.length > 0) throw error;
			refused.push({ firingId: load.firingId, sentence: error.problems[0]?.sentence ?? [] });
		}
	return { accepted, refused };
};

/** The loads with their pieces as they are once the firings they replace are called off; refused where one changed before that. */
async function released(context: Context, loads: readonly Load[], insteadOf: readonly string[]): Promise<Load[]> {
	const { tx } = context;
	const inThem = new Set<string>();
	for (const firingId of [...insteadOf].sort()) {
		await lockFiring(tx, firingId);
		for (const { pieceId } of await placesIn(tx, firingId)) inThem.add(pieceId);
	}
	const seen = new Map(loads.flatMap(({ pieces }) => pieces.map(({ pieceId, seq }) => [pieceId, seq])));
	const ids = [...inThem].filter((id) => seen.has(id));
	const changed = (await lockPieces(tx, ids)).find(({ id, seq }) => seq !== seen.get(id));
	if (changed) throw new Refusal("conflict", `${changed.code} changed while you were planning. Plan anew.`);
	for (const firingId of insteadOf) await callOff(context, firingId);
	const now = new Map((await lockPieces(tx, ids)).map(({ id, seq }) => [id, seq]));
	return loads.map((load) => ({
		...load,
		pieces: load.pieces.map(({ pieceId, seq }) => ({ pieceId, seq: now.get(pieceId) ?? seq })),
	}));
}
