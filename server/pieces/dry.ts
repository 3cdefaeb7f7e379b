import { PAGE } from "@contract/view";
import { countPieces } from "@db/queries/pieces";
import { piece } from "@db/schema";
import { and, eq, gt } from "drizzle-orm";
import type { View } from "../house/view";
import { briefs } from "./models/briefs";

export const dry: View<"dry"> = async (context, { most = PAGE }) => {
	const wet = and(eq(piece.state, "queued"), gt(piece.readyFrom, context.now));
	const pieces = await briefs(context, wet, most);
	return {
		all: await countPieces(context.db, wet),
		pieces: pieces.sort((a, b) => (a.readyFrom ?? "").localeCompare(b.readyFrom ?? "")),
	};
};
