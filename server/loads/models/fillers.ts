import type { LoadView } from "@contract/loads";
import { LOT_LEVEL, lotRoomMm2 } from "@core/stock/lots";
import type { Reader } from "@db/connect";
import { openLots } from "@db/queries/bags";

/** Lots of parts that wait for a firing, and may lie in the corners of a load of their family and level. */
export const fillersOf = async (reader: Reader): Promise<LoadView["fillers"]> =>
	(await openLots(reader)).flatMap(({ lot: { id, name, count, sizeMm, firingId }, familyId, glass }) =>
		firingId === null && familyId !== null
			? [
					{
						id,
						name: `${glass} ${name}`,
						count,
						sizeMm,
						familyId,
						level: LOT_LEVEL,
						roomMm2: lotRoomMm2(count, sizeMm),
					},
				]
			: [],
	);
