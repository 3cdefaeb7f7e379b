import { readCode } from "@core/journey/code";
import { piece } from "@db/schema";
import { inArray } from "drizzle-orm";
import { qrOf } from "../house/qr";
import type { View } from "../house/view";
import { briefs } from "./models/briefs";

export const labels: View<"labels"> = async (context, params) => {
	const codes = (params.codes ?? "")
		.split(",")
		.flatMap((text) => readCode(text) ?? [])
		.slice(0, 60);
	const pieces = codes.length > 0 ? await briefs(context, inArray(piece.code, codes)) : [];
	return {
		paper: context.studio.customs.paper,
		labels: pieces
			.sort((a, b) => codes.indexOf(a.code) - codes.indexOf(b.code))
			.map(({ code, student: name, kit, stackCode }) => ({ code, student: name, kit, stackCode, ...qrOf(code) })),
	};
};
