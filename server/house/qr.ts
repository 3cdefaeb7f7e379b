import QRCode from "qrcode";

/** A QR code as one path of unit squares, with the quiet zone of four modules (ISO/IEC 18004). */
export function qrOf(text: string): { qrPath: string; qrSize: number } {
	const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
	let qrPath = "";
	for (let y = 0; y < modules.size; y++)
		for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) qrPath += `M${x + 4} ${y + 4}h1v1h-1z`;
	return { qrPath, qrSize: modules.size + 8 };
}
