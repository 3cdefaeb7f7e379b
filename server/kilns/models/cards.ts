import type { KilnCard } from "@contract/kilns";
import { activeFirings, type FiringRow } from "@db/queries/firings";
import { type KilnRow, loadKilns } from "@db/queries/kilns";
import { clockNear } from "@formats/time";
import { isStandIn } from "../../devices/stand-in-panel";
import { openInstant } from "../../firings/models/open-instant";
import type { ViewContext } from "../../house/view";
import { closedSpan } from "./out-of-service";

export function kilnCard(row: KilnRow, busy: FiringRow | undefined, context: ViewContext): KilnCard {
	const openAt = busy?.state === "running" ? openInstant(busy) : null;
	return {
		id: row.id,
		name: row.name,
		body: row.body,
		shelfWidthMm: row.shelfWidthMm,
		shelfHeightMm: row.shelfHeightMm,
		marginMm: row.marginMm,
		clearHeightMm: row.clearHeightMm,
		maxC: row.maxC,
		maxSegments: row.maxSegments,
		shelfShape: row.shelfShape,
		zones: row.zones,
		fixtures: row.fixtures,
		upper: row.upper,
		outOfService: closedSpan(row, context.now, context.studio.timeZone) ? row.outOfService : null,
		line: row.line === null ? null : isStandIn(row.line) ? "standIn" : row.line.driver,
		permissions: row.permissions,
		doorSide: row.doorSide,
		busyUntil: openAt?.toISOString() ?? null,
		busyWith:
			busy?.state === "running"
				? `firing ${busy.number} runs, open not before ${openAt ? clockNear(openAt, context.now, context.studio.timeZone) : "unknown"}`
				: null,
	};
}

/** Electric kilns with what runs in them. Any number of firings may be planned ahead. */
export async function kilnCards(context: ViewContext): Promise<KilnCard[]> {
	const [rows, firings] = await Promise.all([loadKilns(context.db), activeFirings(context.db)]);
	return rows
		.filter(({ kind }) => kind === "electric")
		.map((row) =>
			kilnCard(
				row,
				firings.find(({ kilnId, state }) => kilnId === row.id && state === "running"),
				context,
			),
		);
}
