import type { SheetPiece } from "@contract/loads";
import { layingOrder } from "@core/loading/laying-order";
import { placesIn } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import { picturesOf } from "@db/queries/pictures";
import { firing } from "@db/schema";
import { eq } from "drizzle-orm";
import { firingCards } from "../firings/models/cards";
import { inTheBook } from "../house/refusal";
import type { View } from "../house/view";
import { mouldNames } from "./models/mould-names";

/** One load as it is laid into its kiln: every piece with its place, its mould, and whether it was seen there. */
export const loadSheet: View<"loadSheet"> = async (context, params) => {
	const { db, studio } = context;
	const [found] = await firingCards(context, eq(firing.id, params.firing), 1);
	const { pieces, ...card } = inTheBook(found, "firing");
	const places = new Map((await placesIn(db, card.id)).map((one) => [one.pieceId, one]));
	const [names, row] = await Promise.all([mouldNames(db, pieces), loadKiln(db, card.kiln.id)]);
	const order = layingOrder(pieces.map(({ place }) => place));
	return {
		firing: card,
		pieces: pieces
			.map(
				(piece): SheetPiece => ({
					...piece,
					loadedAt: places.get(piece.id)?.loadedAt?.toISOString() ?? null,
					mould: names.get(piece.id) ?? null,
					needsPaper: piece.body?.opaqueBelow ?? false,
				}),
			)
			.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id)),
		pictures: await picturesOf(db, pieces),
		paper: studio.customs.paper,
		shelves: row?.shelves ?? [],
	};
};
