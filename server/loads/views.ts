import type { PieceBrief } from "@contract/pieces";
import { effectiveOf } from "@core/loading/propose";
import { traysOf } from "@core/loading/tray";
import { loadGlass } from "@db/queries/glass";
import { picturesOf } from "@db/queries/pictures";
import { briefs } from "@db/queries/pieces";
import { roomOf } from "@db/queries/waiting";
import { piece } from "@db/schema";
import { eq } from "drizzle-orm";
import { type View, when } from "../house/view";
import { kilnCards } from "../kilns/models/cards";

export const load: View<"load"> = async (context) => {
	const queued = await briefs(context.db, eq(piece.state, "queued"), when(context));
	const { families } = await loadGlass(context.db);
	const isWet = (one: PieceBrief) => one.readyFrom !== null && Date.parse(one.readyFrom) > context.now.getTime();
	const dryOnes = queued.filter((one) => !isWet(one));
	const tested = (one: PieceBrief) => families.find(({ id }) => id === one.familyId)?.tested ?? false;
	const sortable = dryOnes.filter(tested).map((brief) => ({
		brief,
		id: brief.code,
		familyId: brief.familyId,
		level: brief.level,
		effectiveMm: brief.asMade ? effectiveOf(brief.asMade, brief.level, brief.hadLevel ?? undefined) : brief.effectiveMm,
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
		...(await roomOf(context.db, queued)),
		kilns: await kilnCards(context),
		families,
	};
};
