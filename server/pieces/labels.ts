import { readCode } from "@core/journey/code";
import { briefs } from "@db/queries/pieces";
import { piece } from "@db/schema";
import { inArray } from "drizzle-orm";
import QRCode from "qrcode";
import { type View, when } from "../house/view";

export const labels: View<"labels"> = async (context, params) => {
	const codes = (params.codes ?? "")
		.split(",")
		.flatMap((text) => readCode(text) ?? [])
		.slice(0, 60);
	const pieces = codes.length > 0 ? await briefs(context.db, inArray(piece.code, codes), when(context)) : [];
	return {
		labels: pieces
			.sort((a, b) => codes.indexOf(a.code) - codes.indexOf(b.code))
			.map(({ code, student: name, kit, stackCode }) => ({ code, student: name, kit, stackCode, ...qrOf(code) })),
	};
};

/** A QR code as one path of unit squares, with the quiet zone of four modules (ISO/IEC 18004). */
function qrOf(text: string): { qrPath: string; qrSize: number } {
	const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
	let qrPath = "";
	for (let y = 0; y < modules.size; y++)
		for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) qrPath += `M${x + 4} ${y + 4}h1v1h-1z`;
	return { qrPath, qrSize: modules.size + 8 };
}
