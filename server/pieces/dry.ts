import { PAGE } from "@contract/view";
import { briefs, countPieces } from "@db/queries/pieces";
import { piece } from "@db/schema";
import { and, eq, gt } from "drizzle-orm";
import { type View, when } from "../house/view";

export const dry: View<"dry"> = async (context, { most = PAGE }) => {
	const wet = and(eq(piece.state, "queued"), gt(piece.readyFrom, context.now));
	const pieces = await briefs(context.db, wet, when(context), most);
	return {
		all: await countPieces(context.db, wet),
		pieces: pieces.sort((a, b) => (a.readyFrom ?? "").localeCompare(b.readyFrom ?? "")),
	};
};
