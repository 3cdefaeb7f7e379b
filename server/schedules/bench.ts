import { newSchedule } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { loadGlass, loadMoulds } from "@db/queries/glass";
import type { View } from "../house/view";
import { kilnCards } from "../kilns/models/cards";
import { askedFor } from "./models/asked-for";
import { scheduleBriefs, scheduleVersions } from "./models/briefs";
import { schoolsOf } from "./models/schools";

/** The bench with one schedule: kept, or made for a kit, a piece or a planned firing. */
export const scheduleBench: View<"schedule"> = async (context, params) => {
	const { db } = context;
	const { families } = await loadGlass(db);
	const kilns = await kilnCards(context);
	const briefed = await scheduleBriefs(db);
	const { id } = params;
	const its = briefed.find((one) => one.id === id);
	const kept = its ? { ...its, versions: await scheduleVersions(db, its.id) } : null;
	const asked = await askedFor(context, params, families);
	const kilnId = asked.kilnId ?? kilns.find(({ id: one }) => one === params.kiln)?.id ?? kilns[0]?.id ?? null;
	const kiln = kilns.find((one) => one.id === kilnId);
	const family = asked.family ?? families[0] ?? FAMILY_90;
	const made = newSchedule(asked.name, family, kiln?.body, asked.pieces, schoolsOf(context.studio));
	return {
		schedule: kept,
		schoolsRevision: context.studio.revision,
		document: kept?.document ?? { ...made, ...asked.change },
		from: kept ? "kept" : asked.from,
		kilnId,
		kilns,
		families,
		moulds: await loadMoulds(db),
		others: briefed
			.filter((one) => one.id !== id)
			.map(({ id: other, document, retired }) => ({ id: other, document, retired })),
		firing: asked.firing,
	};
};
