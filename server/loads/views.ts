import type { PieceBrief } from "@contract/pieces";
import { groupBy } from "@core/group-by";
import { isWornOut } from "@core/kit/mould";
import { mouldTrouble } from "@core/loading/mould-problem";
import { traysOf } from "@core/loading/tray";
import { outlineKey } from "@core/piece/outline-key";
import { countUnjudged } from "@db/queries/firings";
import { loadGlass } from "@db/queries/glass";
import { picturesOf } from "@db/queries/pictures";
import { classOf } from "@db/queries/sessions";
import { roomOf } from "@db/queries/waiting";
import { piece } from "@db/schema";
import { eq } from "drizzle-orm";
import type { View } from "../house/view";
import { kilnCards } from "../kilns/models/cards";
import { briefs } from "../pieces/models/briefs";
import { fillersOf } from "./models/fillers";

export const load: View<"load"> = async (context) => {
	const queued = await briefs(context, eq(piece.state, "queued"));
	const { families } = await loadGlass(context.db);
	const isWet = (one: PieceBrief) => one.readyFrom !== null && Date.parse(one.readyFrom) > context.now.getTime();
	const dryOnes = queued.filter((one) => !isWet(one));
	const tested = (one: PieceBrief) => families.find(({ id }) => id === one.familyId)?.tested ?? false;
	const [room, classes] = await Promise.all([
		roomOf(context.db, queued),
		classOf(
			context.db,
			queued.map(({ id }) => id),
		),
	]);
	const stuck = (one: PieceBrief) => {
		const mould = room.moulds[one.id];
		const trouble =
			mould && mouldTrouble(mould, one.body ? { ...one.body, outline: room.outlines[outlineKey(one)] } : undefined);
		return trouble ? [{ mouldId: mould.id, name: mould.name, trouble, piece: one }] : [];
	};
	const fit = dryOnes.filter(tested);
	const onMould = groupBy(fit.flatMap(stuck), ({ mouldId, trouble }) => `${mouldId} ${trouble}`);
	const sortable = fit
		.filter((one) => stuck(one).length === 0)
		.map((brief) => ({
			brief,
			id: brief.code,
			familyId: brief.familyId,
			level: brief.level,
			effectiveMm: brief.effectiveMm,
			promised: brief.promisedDay,
		}));
	return {
		trays: traysOf(sortable).map(({ pieces, upToMm, ...tray }) => ({
			...tray,
			upToMm: Number.isFinite(upToMm) ? upToMm : null,
			pieces: pieces.map(({ brief }) => brief),
		})),
		wet: queued.filter(isWet),
		untested: dryOnes.filter((one) => !tested(one)),
		pictures: await picturesOf(context.db, queued),
		onMould: [...onMould.values()].map((all) => {
			const { piece: _, ...its } = all[0] as (typeof all)[0];
			return { ...its, pieces: all.map((one) => one.piece) };
		}),
		worn: [...new Map(fit.flatMap(({ id }) => room.moulds[id] ?? []).map((one) => [one.id, one])).values()]
			.filter(isWornOut)
			.map(({ id, name, release, usesSince }) => ({ mouldId: id, name, release, usesSince })),
		fillers: await fillersOf(context.db),
		unjudged: await countUnjudged(context.db),
		...room,
		classes,
		kilns: await kilnCards(context),
		...{ families, mixFamilies: context.studio.customs.mixFamilies },
	};
};
