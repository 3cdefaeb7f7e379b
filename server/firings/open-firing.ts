import { randomUUID } from "node:crypto";
import type { ActionInput, ActionOutput } from "@contract/actions";
import { flowIndex } from "@core/firing/flow-index";
import { mayOpen } from "@core/firing/may-open";
import { feltCurve } from "@core/firing/plan-flow";
import { viscosityOf } from "@core/glass/viscosity";
import type { KilnHeat } from "@core/kiln/heat";
import type { LoadHeat } from "@core/loading/load-heat";
import { phraseText } from "@core/units/phrase";
import type { Transaction } from "@db/connect";
import { lockFiring } from "@db/queries/firings";
import { increment } from "@db/queries/increment";
import { loadKiln } from "@db/queries/kilns";
import { firingReadings, lastReadings } from "@db/queries/readings";
import { type FiringCame, firing, firingPlace, kilnAlarm, mould, piece } from "@db/schema";
import { and, eq, inArray, isNull } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import { afterPreparing, type Context } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { unitsOf } from "../house/units-of";
import { keepDisplay } from "../kilns/models/display";
import { kilnHeats } from "../kilns/models/heat";
import { misfitFor } from "../kilns/models/lessons";
import { type Second, vouch } from "../people/models/vouch";
import { believedPoints, type FiringModel, firingModel, simulateModel } from "./models/firing-model";
import { refuseAtKiln } from "./models/hands";
import { openInstant } from "./models/open-instant";
import { judgeWhole } from "./models/sensor-watch";
import { predict } from "./models/watch-firing";

/**
 * Ends a firing and opens the kiln: by time and by temperature, measured or read off its display by a person; earlier only by an
 * instructor with a reason. Its sensor is judged once more from the beginning: what pages were told before does not decide.
 */
export const openFiring = afterPreparing<"openFiring", Second | undefined>(
	async (before, { second }) => second && vouch(before, second, "second"),
	open,
);

async function open(
	context: Context,
	{ firingId, earlyReason, display }: ActionInput<"openFiring">,
	second: Second | undefined,
): Promise<ActionOutput["openFiring"]> {
	const { tx, now, actor, studio } = context;
	refuseAtKiln(context, "open");
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state === "opened") return { firingId };
	if (row.state !== "running")
		throw new Refusal("conflict", `Firing ${row.number} is ${row.state}; there is nothing to open.`);
	const its = inTheBook(await loadKiln(tx, row.kilnId), "kiln");
	if (display) await keepDisplay(context, { id: randomUUID(), kilnId: its.id, firingId, ...display });
	const model = await firingModel(tx, firingId);
	const distrust = await judgeWhole(tx, model, simulateModel(model));
	const heat = (await kilnHeats(tx, [its], [{ ...row, distrust }], now)).get(its.id) as KilnHeat;
	const opening = mayOpen(await openAtMs(tx, { ...model, row: { ...row, distrust } }), heat, now.getTime());
	if (!opening.may) {
		const why = phraseText(opening.why, unitsOf(studio));
		if (actor.role !== "instructor") throw new Refusal("forbidden", `${why} Only an instructor may open earlier.`);
		if (earlyReason.length < 5) {
			throw new Refusal("invalid", [
				{
					path: ["earlyReason"],
					sentence: `${why} To open all the same, give a reason of at least 5 characters.`,
				},
			]);
		}
		if (studio.customs.earlyByTwo) refuseUnlessTwo(context, second);
	}
	const reason = second ? `${earlyReason} (with ${second.name})` : earlyReason;
	const note = opening.may ? row.note : `Opened before it was cool: ${reason}`;
	if (!opening.may) await noteAudit(tx, "openedEarly", `${its.name}, firing ${row.number}: ${reason}`, context);
	const came = await whatCame(tx, { ...model, row: { ...row, distrust } });
	await tx
		.update(firing)
		.set({ state: "opened", finishedAt: now, note, came, distrust, lay: layIn(model) })
		.where(eq(firing.id, firingId));
	// What was wrong with it is over: nobody watches an opened kiln.
	await tx
		.update(kilnAlarm)
		.set({ endedAt: now })
		.where(and(eq(kilnAlarm.firingId, firingId), isNull(kilnAlarm.endedAt)));
	await countMouldUses(tx, firingId);
	return { firingId };
}

const layIn = ({ thicknessMm, loadJPerK, onMould }: FiringModel): LoadHeat => ({ thicknessMm, loadJPerK, onMould });

/** Where a hot kiln is opened by two, the other one is another person, and may open kilns here. */
function refuseUnlessTwo({ actor, studio }: Context, second: Second | undefined): void {
	const problem = (sentence: string) => new Refusal("invalid", [{ path: ["second", "email"], sentence }]);
	if (!second) throw problem("In this studio two people open a kiln that is not cool: the other one signs here too.");
	if (second.id === actor.id) throw problem("That is you again. The other one signs with their own e-mail.");
	refuseAtKiln({ actor: second, studio }, "open");
}

/** "Open not before", ms: what was predicted while a sensor was at fault is predicted again without what it said. */
async function openAtMs(tx: Transaction, model: FiringModel): Promise<number | null> {
	const { row } = model;
	if (row.distrust.length === 0) return openInstant(row)?.getTime() ?? null;
	const predicted = await predict(tx, model);
	return (
		openInstant({
			...row,
			predictedOpenS: predicted?.openS ?? Math.max(row.openS, row.predictedOpenS ?? 0),
		})?.getTime() ?? null
	);
}

/** The measured curve in three figures, for the kiln's record; null where there are too few readings. */
async function whatCame(tx: Transaction, model: FiringModel): Promise<FiringCame | null> {
	const measured = believedPoints(await firingReadings(tx, model.row.id), model.row);
	if (measured.length < 10) return null;
	const [last] = await lastReadings(tx, model.row.id, 1);
	return {
		flow: flowIndex(viscosityOf(model.family), feltCurve(measured, model.kiln.body)),
		kwh: last?.kwh ?? null,
		misfit: (await misfitFor(tx, model)) ?? null,
	};
}

/** Every mould that lay in a firing has one use more since its release was renewed. */
async function countMouldUses(tx: Transaction, firingId: string): Promise<void> {
	const rows = await tx
		.select({ journey: piece.journey })
		.from(firingPlace)
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(eq(firingPlace.firingId, firingId));
	const ids = new Set(rows.flatMap(({ journey }) => journey.route[journey.step]?.mouldId ?? []));
	if (ids.size === 0) return;
	await tx
		.update(mould)
		.set({ usesSince: increment(mould.usesSince) })
		.where(inArray(mould.id, [...ids]));
}
