import type { LoadView } from "@contract/loads";
import { lotRoomMm2 } from "@core/stock/lots";
import type { Reader } from "@db/connect";
import { openLots } from "@db/queries/bags";

/** Lots of parts that wait for a firing, and may lie in the corners of a load of their family and level. */
export const fillersOf = async (reader: Reader): Promise<LoadView["fillers"]> =>
	(await openLots(reader)).flatMap(({ lot: { id, name, count, sizeMm, level, firingId }, familyId, glass }) =>
		firingId === null && familyId !== null
			? [
					{
						id,
						name: [glass, name].filter(Boolean).join(" "),
						count,
						sizeMm,
						familyId,
						level,
						roomMm2: lotRoomMm2(count, sizeMm),
					},
				]
			: [],
	);
